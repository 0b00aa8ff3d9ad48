import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { Link } from "react-router";

import { api } from "../../api/client";
import type { RackListed, RackSummary } from "../../api/types";
import { Button, told } from "../../ui/Button";
import { Measure } from "../../ui/Measure";
import { RackDrawing } from "../../ui/RackDrawing";
import { t } from "../../messages";

/** Pixels per mm, and the widest a drawing may be. */
const SCALE = 0.2;
const WIDEST = 360;
/** It is fetched before it comes into view, px. */
const AHEAD = "700px";

interface Props {
  rack: RackListed;
  /** So many changes of it wait in this browser. */
  waiting: number | undefined;
  onCopy: () => Promise<unknown>;
  onBin: () => Promise<unknown>;
}

/** A rack on the first page: its name at once, its drawing when it is about to be seen. */
export function RackCard({ rack, waiting, onCopy, onBin }: Props) {
  const card = useRef<HTMLLIElement>(null);
  const seen = useSeen(card);
  const { data } = useQuery({
    queryKey: ["racks", "drawn", rack.id, rack.version],
    queryFn: () => api.drawn(rack.id),
    enabled: seen,
  });
  return (
    <li
      ref={card}
      className="group relative flex flex-col border-b border-rule px-2 pt-6 pb-3 hover:bg-sheet"
    >
      <span className="flex min-h-28 flex-1 items-start justify-center">
        {data && <RackDrawing scene={data.scene} scale={scaleOf(data)} />}
      </span>
      <div className="mt-4 flex items-end gap-2">
        <div className="min-w-0 flex-1">
          <h2 className="truncate text-lead">
            <Link to={`/racks/${rack.id}`} className="after:absolute after:inset-0">
              {rack.name}
            </Link>
          </h2>
          <p className="min-h-10 text-plain text-soft">
            {data?.says ?? rack.things}
            <br />
            {data && (
              <>
                {t("racks.board")} <Measure text={data.size} />
              </>
            )}
          </p>
          {waiting !== undefined && (
            <p className="text-plain font-semibold text-care">
              {t("racks.not-saved-yet-open-send-them", { get: waiting })}
            </p>
          )}
          <p className={`min-h-5 text-plain ${data?.to_settle ? "font-semibold text-care" : "text-soft"}`}>
            {data && standing(data)}
          </p>
        </div>
        <Button
          look="bare"
          className="relative z-10"
          aria-label={t("racks.copy", { name: rack.name })}
          onClick={() => onCopy().catch(told)}
        >
          {t("racks.copy-2")}
        </Button>
        <Button
          look="bare"
          className="relative z-10"
          aria-label={t("racks.put-in-the-bin", { name: rack.name })}
          onClick={() => onBin().catch(told)}
        >
          {t("racks.bin")}
        </Button>
      </div>
    </li>
  );
}

/** All at one scale, but for what is wider than its card. */
const scaleOf = ({ scene: { extent } }: RackSummary) => Math.min(SCALE, WIDEST / (extent.x1 - extent.x0));

function standing({ to_settle, walled }: RackSummary): string {
  if (to_settle) return t("racks.to-settle", { to_settle });
  return walled ? t("racks.no-problems") : t("racks.no-problems-in-layout-wall-not");
}

/** Whether it has been, or is about to be, in view. */
function useSeen(element: React.RefObject<Element | null>): boolean {
  const [seen, setSeen] = useState(false);
  useEffect(() => {
    if (seen || !element.current) return;
    const observer = new IntersectionObserver(
      (entries) => entries.some((entry) => entry.isIntersecting) && setSeen(true),
      { rootMargin: AHEAD },
    );
    observer.observe(element.current);
    return () => observer.disconnect();
  }, [seen, element]);
  return seen;
}
