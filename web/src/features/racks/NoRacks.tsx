import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";

import { api } from "../../api/client";
import { RackDrawing } from "../../ui/RackDrawing";
import { fitting } from "../../ui/fitting";
import { t } from "../../messages";

const PICTURE = { width: 520, height: 300 };

/** Nothing hangs here yet: how to begin, and an example that is drawn and can be taken on. */
export function NoRacks() {
  const said = t("racks.seven-coats-on-a-width");
  const example = useQuery({
    queryKey: ["example", said],
    queryFn: async () => {
      const { hangs, width } = await api.findItems(said);
      const asked = hangs.map(({ item, count }) => ({ item, count: count ?? 1 }));
      return (await api.start({ hangs: asked, width }))[0]?.rooms[0] ?? null;
    },
  }).data;
  return (
    <section className="flex flex-wrap items-center gap-10 py-10">
      <div className="max-w-md text-lead">
        <h2 className="text-head">{t("racks.no-racks-yet")}</h2>
        <p className="mt-3">{t("racks.say-what-hangs-and-what-comes-of-it")}</p>
        <p className="mt-5 flex flex-wrap items-center gap-3">
          <Link
            to="/new"
            className="inline-flex min-h-11 items-center rounded-[3px] bg-act px-4 text-on-act hover:opacity-90"
          >
            {t("racks.say-what-hangs")}
          </Link>
          <Link
            to={`/new?say=${encodeURIComponent(said)}`}
            className="inline-flex min-h-11 items-center act-link"
          >
            {t("racks.or-try-an-example", { said })}
          </Link>
        </p>
      </div>
      {example && (
        <figure>
          <RackDrawing scene={example.scene} scale={fitting([example.scene], PICTURE)} />
          <figcaption className="hand mt-2 text-plain text-soft">
            {example.made}, {example.size}
          </figcaption>
        </figure>
      )}
    </section>
  );
}
