import { memo, useLayoutEffect, useRef, useState } from "react";

import type { Finding } from "../../api/types";
import { toScreenX, toScreenY, type View } from "../../drawing/view";
import { Button } from "../../ui/Button";
import { FlagShape } from "../../ui/FlagShape";
import { Measure } from "../../ui/Measure";
import { useSession, useShown } from "./shown";
import { t } from "../../messages";

const EDGE = { stop: "border-l-stop", care: "border-l-care", note: "border-l-note" };

/** Findings beside the drawing, each with a leader to its place, its figures, and the fixes as buttons. */
export const Notes = memo(function Notes({ view }: { view: View }) {
  const findings = useShown((shown) => shown.design.findings);
  const walled = useShown((shown) => shown.design.on_wall !== null);
  const list = useRef<HTMLOListElement>(null);
  const [notes, setNotes] = useState<{ left: number; top: number; bottom: number }[]>([]);
  const words = findings.map((finding) => finding.code + finding.message).join();

  useLayoutEffect(() => {
    const parent = list.current?.parentElement?.getBoundingClientRect();
    const next = [...(list.current?.children ?? [])].map((note) => {
      const box = note.getBoundingClientRect();
      const top = box.top - (parent?.top ?? 0);
      return { left: box.left - (parent?.left ?? 0), top, bottom: top + box.height };
    });
    setNotes((old) => (JSON.stringify(old) === JSON.stringify(next) ? old : next));
  }, [words]);

  return (
    <>
      <svg className="pointer-events-none absolute inset-0 hidden h-full w-full md:block" aria-hidden>
        {findings.map((finding, index) => {
          const note = notes[index];
          if (!note || finding.severity === "note") return null;
          const [x, y] = [toScreenX(view, finding.x) + 12, toScreenY(view, finding.y) - 2];
          // Level where the note stands beside its place, so that it crosses no figure on the way.
          const from = Math.min(Math.max(y, note.top + 16), note.bottom - 10);
          return (
            <path
              key={index}
              d={`M${note.left} ${from} H${Math.max(note.left - 22, x)} L${x} ${y}`}
              className={`fill-none ${finding.severity === "stop" ? "stroke-stop" : "stroke-care"}`}
              strokeWidth={1}
            />
          );
        })}
      </svg>
      <ol
        ref={list}
        aria-label={t("rack.notes-on-the-design")}
        className="flex flex-col gap-2 p-2 md:pointer-events-none md:absolute md:top-2 md:right-2 md:w-60 md:p-0"
      >
        {findings.map((finding, index) => (
          <Note key={finding.code + index} finding={finding} number={index + 1} />
        ))}
        {findings.length === 0 && (
          <li className="hand self-end px-2 text-right text-small text-soft">
            {t("rack.no-problems-in-the-layout")}
            <span className="block">{walled ? t("rack.or-on-its-wall") : t("rack.wall-not-chosen-yet")}</span>
          </li>
        )}
      </ol>
    </>
  );
});

/** A finding with its figures and fixes; a mere note is folded. */
export function Note({ finding, number }: { finding: Finding; number: number }) {
  const { apply } = useSession();
  const [open, setOpen] = useState(finding.severity !== "note");
  return (
    <li
      className={`pointer-events-auto border border-l-4 border-rule bg-sheet/95 px-2.5 py-1.5 text-plain ${EDGE[finding.severity]}`}
    >
      <button
        type="button"
        aria-expanded={open}
        className="flex w-full items-center gap-2 text-left font-semibold pointer-coarse:min-h-touch"
        onClick={() => setOpen(!open)}
      >
        <svg width={24} height={24} viewBox="-12 -12 24 24" className="shrink-0">
          <FlagShape severity={finding.severity} number={number} />
        </svg>
        {finding.title}
      </button>
      {open && (
        <>
          <p className="mt-1">
            <Measure text={finding.message} />
          </p>
          <p className="hand mt-0.5 text-fine text-soft">
            <Measure
              text={t("rack.limit", {
                part: finding.part,
                figure: finding.figure,
                value: finding.value,
                limit: finding.limit,
              })}
            />
          </p>
          <div className="mt-1.5 flex flex-wrap gap-1.5">
            {finding.fixes.map((fix) => (
              <Button key={fix.label} onClick={() => apply(fix.patch)}>
                <Measure text={fix.label} />
              </Button>
            ))}
          </div>
        </>
      )}
    </li>
  );
}
