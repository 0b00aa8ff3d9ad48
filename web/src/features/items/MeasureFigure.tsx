import type { Measures, Scene } from "../../api/types";
import { t, word } from "../../messages";

type Stroke = Scene["symbols"][number]["strokes"][number];

export const MEASURES = ["left", "right", "above", "below", "front", "held"] as const;
export type Measured = (typeof MEASURES)[number];

/** How long a measure of a thing is, mm. */
export function lengthOf({ box, front, held }: Measures, measure: Measured): number {
  const all = { left: -box.x0, right: box.x1, above: box.y1, below: -box.y0, front, held: held ?? 0 };
  return Math.max(all[measure], 0);
}

/** Where each is measured, for those who do not see the figure. */
const HOW: Record<Measured, string> = {
  left: t("items.from-holders-axis-leftmost-point-as"),
  right: t("items.from-holders-axis-rightmost-point-as"),
  above: t("items.how-far-stands-up-above-holders"),
  below: t("items.drop-from-holders-axis-lowest-point"),
  front: t("items.how-far-stands-off-board"),
  held: t("items.how-thick-where-held-at-neck"),
};

const SIZE = { width: 300, height: 270 };
const PAD = { x: 44, top: 26, bottom: 46 };
const SIDE = 64;

interface Props {
  strokes: readonly Stroke[];
  measures: Measures;
  lit: Measured | null;
}

/** On how many holders a thing hangs. */
export const TAKES = [
  { value: "one", label: t("items.one-holder") },
  { value: "two", label: t("items.two-places-hung-on-first") },
  { value: "bridge", label: t("items.two-holders-hung-between-them") },
];

/** The figure with what it says: how to measure, or where the figure that is being typed is measured. */
export function HowToMeasure(props: Props) {
  const { lit } = props;
  return (
    <div className="w-72 grow">
      <MeasureFigure {...props} />
      <p className="min-h-10 text-plain text-soft" aria-live="polite">
        {lit ? `${lit}: ${HOW[lit]}` : t("items.hang-up-put-rule-at-holders")}
      </p>
    </div>
  );
}

/** The thing as it hangs, from the front and from the side, with what to measure; the one being typed is lit. */
function MeasureFigure({ strokes, measures, lit }: Props) {
  const { box, front } = measures;
  const room = { width: SIZE.width - 2 * PAD.x - SIDE, height: SIZE.height - PAD.top - PAD.bottom };
  const scale = Math.min(room.width / (box.x1 - box.x0), room.height / (box.y1 - box.y0));
  const x0 = PAD.x + (room.width - (box.x1 - box.x0) * scale) / 2;
  const axisX = x0 - box.x0 * scale;
  const axisY = PAD.top + box.y1 * scale;
  const at = (x: number, y: number) => [axisX + x * scale, axisY - y * scale] as const;
  const [left, top] = at(box.x0, box.y1);
  const [right, bottom] = at(box.x1, box.y0);
  const wall = SIZE.width - SIDE + 4;
  const held = (measures.held ?? (box.x1 - box.x0) / 3) * scale;
  const depth = Math.min(front * scale, SIDE - 18);
  return (
    <svg
      viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
      className="w-full max-w-80"
      role="img"
      aria-label={
        lit ? t("items.measure", { lit, HOW: HOW[lit] }) : t("items.how-measured-from-its-holders-axis")
      }
    >
      <g transform={`translate(${axisX} ${axisY}) scale(${scale} ${-scale})`}>
        {strokes.map((stroke, index) => (
          <path key={index} className={`r r-${stroke.role}`} d={stroke.d} />
        ))}
      </g>
      <path d={`M${axisX} ${top - 12}V${bottom + 14}`} className="stroke-mark" strokeDasharray="6 3 1 3" />
      <path d={`M${left - 8} ${axisY}H${right + 8}`} className="stroke-mark" strokeDasharray="6 3 1 3" />
      <circle cx={axisX} cy={axisY} r={4} className="fill-sheet stroke-mark" strokeWidth={1.5} />
      <Span name="left" lit={lit} from={[left, bottom + 22]} to={[axisX, bottom + 22]} />
      <Span name="right" lit={lit} from={[axisX, bottom + 22]} to={[right, bottom + 22]} />
      <Span name="above" lit={lit} from={[left - 18, top]} to={[left - 18, axisY]} />
      <Span name="below" lit={lit} from={[left - 18, axisY]} to={[left - 18, bottom]} />
      {(measures.held ?? lit === "held") && (
        <Span
          name="held"
          lit={lit}
          from={[axisX - held / 2, axisY - 10]}
          to={[axisX + held / 2, axisY - 10]}
          over
        />
      )}
      <path d={`M${wall} ${top - 12}V${bottom + 14}`} className="stroke-ink" strokeWidth={3} />
      <rect
        x={wall + 1.5}
        y={top}
        width={depth}
        height={bottom - top}
        rx={5}
        className="fill-(--item) stroke-(--item-line)"
      />
      <Span name="front" lit={lit} from={[wall, bottom + 22]} to={[wall + depth, bottom + 22]} />
    </svg>
  );
}

interface SpanProps {
  name: Measured;
  lit: Measured | null;
  from: readonly [number, number];
  to: readonly [number, number];
  /** Its name stands above it. */
  over?: boolean;
}

function Span({ name, lit, from, to, over = false }: SpanProps) {
  const on = lit === name;
  const upright = from[0] === to[0];
  const middle = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2] as const;
  // Beside each other, two short spans write their names away from one another.
  const short = !upright && !over && to[0] - from[0] < 40;
  const anchor = !short || name === "front" ? "middle" : name === "left" ? "end" : "start";
  const textX = anchor === "middle" ? middle[0] : anchor === "end" ? to[0] - 3 : from[0] + 3;
  const tick = (at: readonly [number, number]) =>
    `M${at[0] - 3.5} ${at[1] + 3.5}L${at[0] + 3.5} ${at[1] - 3.5}`;
  return (
    <g className={on ? "stroke-act" : "stroke-soft"}>
      <path
        d={`M${from.join(" ")}L${to.join(" ")}${tick(from)}${tick(to)}`}
        strokeWidth={on ? 3 : 1}
        fill="none"
      />
      <text
        x={upright ? middle[0] - 5 : textX}
        y={upright ? middle[1] : middle[1] + (over ? -5 : 15)}
        textAnchor={anchor}
        transform={upright ? `rotate(-90 ${middle[0] - 5} ${middle[1]})` : undefined}
        className={`hand stroke-none text-label ${on ? "fill-act font-semibold" : "fill-soft"}`}
      >
        {word(name)}
      </text>
    </g>
  );
}
