import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { api, reasonOf } from "../../api/client";
import { Button } from "../../ui/Button";
import { Section } from "../rack/Section";
import { useShown } from "../rack/shown";
import { t } from "../../messages";

/** The bench of this rack on a phone. */
export function OnPhone() {
  const id = useShown((shown) => shown.rack.id);
  return <PhoneAccess to={`/racks/${id}/bench`} />;
}

/** Lets a phone on the same network come to the bench; off unless the user opens it. */
export function PhoneAccess({ to }: { to: string }) {
  const queries = useQueryClient();
  const { data } = useQuery({ queryKey: ["phone", to], queryFn: () => api.phone(to) });
  const [error, setError] = useState<string | null>(null);
  async function put(work: Promise<unknown>) {
    setError(null);
    await work.catch((problem: unknown) => setError(reasonOf(problem)));
    await queries.invalidateQueries({ queryKey: ["phone"] });
  }
  return (
    <Section
      title={t("making.the-bench-on-a-phone")}
      aside={
        data && (
          <Button onClick={() => put(data.open ? api.shutPhone() : api.allowPhone(to))}>
            {data.open ? t("making.shut-it") : t("making.allow-it")}
          </Button>
        )
      }
    >
      <p className="text-small text-soft">
        {data?.open ? t("making.open-whoever-on-your-network-has") : t("making.off-when-you-allow-phone-on")}
      </p>
      {error && (
        <p role="alert" className="text-stop">
          {error}
        </p>
      )}
      {data?.open && (
        <div className="mt-1.5 flex items-center gap-3">
          <Code rows={data.code} />
          <dl className="min-w-0 text-plain">
            <dt className="text-soft">{t("making.point-its-camera-here-or-go")}</dt>
            <dd className="hand break-all">{data.address}</dd>
            <dt className="mt-1 text-soft">{t("making.key")}</dt>
            <dd className="hand text-lead font-semibold">{data.key}</dd>
          </dl>
        </div>
      )}
    </Section>
  );
}

const QUIET = 4;

/** A QR code, dark on light whatever the theme: cameras want it so. */
function Code({ rows }: { rows: string[] }) {
  const size = rows.length + 2 * QUIET;
  const dark = rows.flatMap((row, y) =>
    [...row].flatMap((bit, x) => (bit === "1" ? [`M${x + QUIET} ${y + QUIET}h1v1h-1z`] : [])),
  );
  return (
    <svg
      viewBox={`0 0 ${size} ${size}`}
      className="w-36 shrink-0"
      role="img"
      aria-label={t("making.code-with-address-key")}
    >
      <rect width={size} height={size} fill="#fff" />
      <path d={dark.join("")} fill="#000" shapeRendering="crispEdges" />
    </svg>
  );
}
