import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { Link } from "react-router";

import { api } from "../../api/client";
import type { RackListed, RackSummary } from "../../api/types";
import { Button } from "../../ui/Button";
import { Checkbox } from "../../ui/Checkbox";
import { Measure } from "../../ui/Measure";
import { RackDrawing } from "../../ui/RackDrawing";
import type { RackWrites } from "./useRackWrites";
import { t } from "../../messages";

/** Pixels per mm, and the widest and tallest a drawing may be. */
const SCALE = 0.2;
const WIDEST = 360;
const TALLEST = 216;
/** It is fetched before it comes into view, px. */
const AHEAD = "700px";

interface Props {
  rack: RackListed;
  /** So many changes of it wait in this browser. */
  waiting: number | undefined;
  chosen: boolean;
  onChoose: (rack: RackListed, on: boolean) => void;
  writes: RackWrites;
}

/** A rack on the first page: its name at once, its drawing when it is about to be seen. */
export function RackCard({ rack, waiting, chosen, onChoose, writes }: Props) {
  const { filed } = rack;
  const card = useRef<HTMLLIElement>(null);
  const seen = useSeen(card);
  const { data } = useQuery({
    queryKey: ["drawn", rack.id, rack.version],
    queryFn: () => api.drawn(rack.id),
    enabled: seen,
  });
  return (
    <li
      ref={card}
      className={`group relative flex flex-col border-b border-rule px-2 pt-2 pb-3 hover:bg-sheet ${chosen ? "bg-sheet outline-2 -outline-offset-2 outline-ink" : ""}`}
    >
      <div className="relative z-10 flex h-6 items-center justify-between pointer-coarse:h-touch">
        <Checkbox
          label={t("racks.choose", { name: rack.name })}
          checked={chosen}
          onChange={(on) => onChoose(rack, on)}
        />
        <Star rack={rack} writes={writes} />
      </div>
      {/* As tall with its drawing as without: what comes later moves nothing under the pointer. */}
      <span className="flex h-56 items-start justify-center">
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
          <p
            className={`min-h-5 text-plain ${data?.to_settle && !filed.done ? "font-semibold text-care" : "text-soft"}`}
          >
            {filed.done ? t("racks.done") : data?.next}
            {filed.tags.length > 0 && <span className="hand text-soft"> · {filed.tags.join(" · ")}</span>}
          </p>
        </div>
        <Button
          look="bare"
          className="relative z-10"
          aria-label={t("racks.copy", { name: rack.name })}
          onClick={() => writes.copy(rack)}
        >
          {t("racks.copy-2")}
        </Button>
        <Button
          look="bare"
          className="relative z-10"
          aria-label={t("racks.put-in-the-bin", { name: rack.name })}
          onClick={() => writes.bin([rack])}
        >
          {t("racks.bin")}
        </Button>
      </div>
    </li>
  );
}

/** Whether it is a favourite: those stand first. */
function Star({ rack, writes }: Pick<Props, "rack" | "writes">) {
  const on = rack.filed.favourite;
  return (
    <Button
      look="bare"
      aria-pressed={on}
      aria-label={t("racks.favourite-2", { name: rack.name })}
      title={t("racks.favourites-stand-first")}
      className="text-title leading-none"
      onClick={() => writes.favour([rack], !on)}
    >
      <span aria-hidden>{on ? "★" : "☆"}</span>
    </Button>
  );
}

/** All at one scale, but for what is wider or taller than its card. */
const scaleOf = ({ scene: { extent } }: RackSummary) =>
  Math.min(SCALE, WIDEST / (extent.x1 - extent.x0), TALLEST / (extent.y1 - extent.y0));

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
