import { useQueries } from "@tanstack/react-query";
import { useRef, useState, type KeyboardEvent } from "react";

import { api } from "../../api/client";
import type { Rung } from "../../api/types";
import { Button } from "../../ui/Button";
import { Measure } from "../../ui/Measure";
import { Section } from "./Section";
import { useSession, useShown } from "./shown";
import { t, word } from "../../messages";

const MINI = 32;
const PRICED = "yardcliff-ladder-costs";
const ROW = "grid-cols-[1.3rem_2.1rem_1fr_0.85fr_1.4fr_2.2rem_3.7rem]";
const ROW_AND_ALL = "grid-cols-[4rem_1fr_0.85fr_1.4fr_2.2rem_3.7rem]";
const VERDICT: Record<string, string> = {
  fits: "text-soft",
  tight: "text-care font-semibold",
  bumps: "text-stop font-semibold",
  "too long": "text-care font-semibold",
  "no room": "text-stop font-semibold",
};
const bare = (text: string) => text.replace(/ (mm|in)$/, "");

/** Each count near the chosen one, worked out: arrows try one on, Enter takes it. */
export function Ladder() {
  const { preview, apply } = useSession();
  // While a rung is tried on, the ladder stays the stored one: it is what is being climbed.
  const rungs = useShown((shown) => shown.rack.ladder);
  const list = useRef<HTMLDivElement>(null);
  const longest = Math.max(...rungs.map((rung) => rung.length_mm));
  const [priced, setPriced] = useState(() => localStorage.getItem(PRICED) === "yes");
  const costs = useCosts(priced ? rungs.map((rung) => rung.count) : []);
  const byLength = useShown((shown) => shown.design.follows === "length");
  // With several rows, or places that are kept free, so many hang in all.
  const more = rungs.some(({ count, hang }) => count !== hang);
  const columns = more ? ROW_AND_ALL : ROW;

  function onKeyDown(event: KeyboardEvent<HTMLElement>, index: number, rung: Rung) {
    const by = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    if (by) {
      event.preventDefault();
      list.current?.querySelectorAll<HTMLElement>("[role=option]")[index + by]?.focus();
    }
    if (event.key === "Enter" || event.key === " ") {
      event.preventDefault();
      take(rung);
    }
    if (event.key === "Escape") event.currentTarget.blur();
  }
  const take = (rung: Rung) => {
    if (!rung.chosen) apply(rung.patch);
  };

  return (
    <Section
      title={t("rack.ladder-of-counts")}
      stop="fits"
      aside={
        <span className="text-fine text-soft">
          {t("rack.try-enter-take")}{" "}
          <Button
            look="bare"
            aria-pressed={priced}
            className="text-fine"
            onClick={() => {
              localStorage.setItem(PRICED, priced ? "no" : "yes");
              setPriced(!priced);
            }}
          >
            {priced ? t("rack.how-full") : t("rack.what-it-costs")}
          </Button>
        </span>
      }
    >
      <div className={`hand grid ${columns} gap-x-1 text-fine text-soft`} aria-hidden>
        {more ? <span>{t("rack.row-hang")}</span> : <span className="col-span-2" />}
        <span className="text-right">{t("rack.pitch")}</span>
        <span className="text-right">{t("rack.air")}</span>
        <span className="text-right">{byLength ? t("rack.length") : t("rack.ends")}</span>
        <span className="text-right">{priced ? t("rack.costs") : t("rack.full")}</span>
      </div>
      <div ref={list} role="listbox" aria-label={t("rack.ladder-of-counts")} onBlur={() => preview(null)}>
        {rungs.map((rung, index) => (
          <div
            key={rung.count}
            role="option"
            aria-selected={rung.chosen}
            tabIndex={rung.chosen ? 0 : -1}
            className={`hand grid cursor-pointer ${columns} items-center gap-x-1 rounded-[2px]
              min-h-[1.55rem] text-small hover:bg-note-bg focus:bg-note-bg aria-selected:bg-ink aria-selected:text-paper
              pointer-coarse:min-h-9`}
            onClick={() => take(rung)}
            onFocus={() => preview(rung.chosen ? null : rung.patch)}
            onKeyDown={(event) => onKeyDown(event, index, rung)}
          >
            <span className="pl-1 text-plain font-semibold">
              {rung.count}
              {more && <span className="text-fine font-normal">·{rung.hang}</span>}
              <span className="sr-only">
                {" "}
                {t("rack.in-first-row-in-all-pitch", {
                  hang: rung.hang,
                  what: byLength ? "length" : "ends",
                })}{" "}
              </span>
            </span>
            {!more && <Mini rung={rung} scale={MINI / longest} />}
            <span className="text-right">
              <Measure text={bare(rung.pitch)} />
            </span>
            <span className="text-right">
              <Measure text={bare(rung.air)} />
            </span>
            <span className="truncate text-right">
              <Measure text={bare(byLength ? rung.length : rung.ends)} />
            </span>
            <span className="text-right">
              {priced ? (costs.get(rung.count) ?? "…") : rung.full.replace(" ", "")}
            </span>
            <span className={`truncate pl-1 ${rung.chosen ? "font-semibold" : VERDICT[rung.verdict]}`}>
              {word(rung.verdict)}
            </span>
          </div>
        ))}
      </div>
    </Section>
  );
}

/** What each count costs, asked for only while it is shown: every one of them is a cut plan. */
function useCosts(counts: number[]): Map<number, string> {
  const id = useShown(({ rack }) => rack.id);
  const version = useShown(({ rack }) => rack.version);
  const found = useQueries({
    queries: counts.map((count) => ({
      queryKey: ["timber", id, version, "ladder", count],
      queryFn: ({ signal }: { signal: AbortSignal }) => api.ladderCost(id, count, signal),
    })),
  });
  return new Map(
    found.flatMap(({ data }) => data ?? []).map(({ count, total }) => [count, total || "—"] as const),
  );
}

function Mini({ rung, scale }: { rung: Rung; scale: number }) {
  // More marks than pixels only blacken the board: every so many stand for all.
  const stride = Math.ceil(rung.axes.length / (MINI / 2));
  const places = rung.axes.filter((_, k) => k % stride === 0).map((axis) => axis * scale);
  return (
    <svg width={MINI + 2} height={13} aria-hidden>
      <rect
        x={0.5}
        y={2.5}
        width={rung.length_mm * scale}
        height={5}
        className="fill-wood stroke-current"
        strokeWidth={0.8}
      />
      <path
        d={places.map((x) => `M${x + 0.5} 5 V12`).join("")}
        className="stroke-current"
        strokeWidth={1.4}
      />
    </svg>
  );
}
