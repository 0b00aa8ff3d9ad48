import { useMemo } from "react";

import { graduation, stagger } from "../../drawing/tape";
import { toModelX, toScreenX, type Size, type View } from "../../drawing/view";
import { FingerTarget } from "../../ui/FingerTarget";
import { Measure } from "../../ui/Measure";
import { useSession, useShown } from "./shown";
import { t } from "../../messages";

interface Props {
  view: View;
  size: Size;
  flipped: boolean;
  /** The row whose marks are on the tape. */
  row: number;
}

const TOP = 40;
const HEIGHT = 28;
const TICKS = [20, 15, 12, 9, 7, 5, 4, 3];
const ROW_PX = 14;

/** A mark's slip: the first row's are known by their place alone. */
const markKey = (index: number, row: number) => (row ? `mark.${index}.${row}` : `mark.${index}`);
const bare = (text: string) => text.replace(/ (mm|in)$/, "");

/** The tape, at the drawing's scale and scroll: hooked on the datum end, or on the other when flipped. */
export function Tape({ view, size, flipped, row }: Props) {
  const { openFigure } = useSession();
  const tape = useShown((shown) => shown.design.tape);
  const length = useShown((shown) => shown.design.length_mm);
  const marks = useShown(({ design }) => (row ? design.rows[row]?.marks : null) ?? design.marks);
  const hooked = flipped ? length : 0;
  const x = (at: number) => toScreenX(view, flipped ? hooked - at : at);
  const seen = [toModelX(view, 0), toModelX(view, size.width)].map((at) => (flipped ? length - at : at));
  const from = Math.max(0, Math.min(...seen));
  const to = Math.min(length, Math.max(...seen));
  const ticks = useMemo(
    () => graduation(tape.unit, tape.step_mm, view.scale, from, to),
    [tape.unit, tape.step_mm, view.scale, from, to],
  );
  const readings = flipped ? marks.from_end : marks.text;
  const labels = useMemo(
    () =>
      readings.map((reading, index) => {
        const text = bare(reading);
        return { text, x: toScreenX(view, marks.x[index] ?? 0), width: text.length * 7 };
      }),
    [marks.x, readings, view],
  );
  const tiers = stagger(labels);
  const spacing =
    labels.length > 1 ? ((labels.at(-1)?.x ?? 0) - (labels[0]?.x ?? 0)) / (labels.length - 1) : 99;
  const left = toScreenX(view, 0);
  const right = toScreenX(view, length);
  return (
    <svg className="isolate h-[4.9rem] w-full" role="group" aria-label={t("rack.the-tape-with-the-marks")}>
      <rect
        x={left}
        y={TOP}
        width={Math.max(right - left, 0)}
        height={HEIGHT}
        className="stroke-ink"
        strokeWidth={1}
        fill="var(--tape)"
      />
      <path
        d={ticks
          .map(({ at, rank }) => `M${x(at)} ${TOP + HEIGHT} v${-(TICKS[TICKS.length - 1 - rank] ?? 3)}`)
          .join("")}
        className="stroke-ink"
        strokeWidth={0.8}
      />
      {ticks.map(
        ({ at, label }) =>
          label &&
          at > 0 &&
          !labels.some((mark) => mark.x > x(at) - label.length * 6.4 - 5 && mark.x < x(at) + 1) && (
            <text
              key={at}
              x={x(at) - 2.5}
              y={TOP + 11}
              textAnchor="end"
              className="hand fill-ink text-reading"
            >
              {label}
            </text>
          ),
      )}
      <path d={`M${x(0)} ${TOP - 4} v${HEIGHT + 10}`} className="stroke-ink" strokeWidth={4} />
      <path
        d={labels
          .map(
            ({ x: at }, index) =>
              `M${at} ${TOP + HEIGHT - 4}V${TOP - 5 - Math.max(tiers[index] ?? 0, 0) * ROW_PX}`,
          )
          .join("")}
        className="stroke-mark"
        shapeRendering="crispEdges"
        strokeWidth={spacing < 4 ? 0.8 : 2}
      />
      {labels.map(
        ({ x: at }, index) =>
          (tiers[index] ?? -1) >= 0 && (
            <FingerTarget
              key={index}
              x={at}
              y={TOP - 12 - (tiers[index] ?? 0) * ROW_PX}
              onOpen={() => openFigure(markKey(index, row))}
            />
          ),
      )}
      {labels.map(({ text, x: at }, index) => {
        const tier = tiers[index] ?? -1;
        if (tier < 0) return null;
        const open = () => openFigure(markKey(index, row));
        return (
          <g
            key={index}
            role="button"
            tabIndex={0}
            aria-label={t("rack.mark-show-the-working", { index: index + 1, readings: readings[index] })}
            className="group cursor-pointer outline-none"
            transform={`translate(${at} ${TOP - 8 - tier * ROW_PX})`}
            onClick={open}
            onKeyDown={(event) => event.key === "Enter" && open()}
          >
            <rect
              x={text.length * -3.5 - 3}
              y={-11}
              width={text.length * 7 + 6}
              height={14}
              className="fill-transparent stroke-transparent group-focus-visible:stroke-act"
              strokeWidth={2}
            />
            <text
              textAnchor="middle"
              className="hand fill-mark text-label font-semibold group-hover:underline"
            >
              <Measure drawn text={text} />
            </text>
          </g>
        );
      })}
    </svg>
  );
}
