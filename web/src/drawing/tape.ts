export interface Tick {
  /** mm from the end that the tape is hooked on. */
  at: number;
  /** 0 is the longest. */
  rank: number;
  label: string;
}

const INCH = 25.4;
/** Graduations, finest last: the spacing in the unit and the rank of the tick. */
const INCH_STEPS = [12, 6, 1, 1 / 2, 1 / 4, 1 / 8, 1 / 16, 1 / 32, 1 / 64];
const MM_STEPS = [1000, 500, 100, 50, 10, 5, 1, 0.5];

/** The graduation between `from` and `to` mm that is legible at `scale` px/mm, down to the tape's step. */
export function graduation(
  unit: "in" | "mm",
  stepMm: number,
  scale: number,
  from: number,
  to: number,
): Tick[] {
  const size = unit === "in" ? INCH : 1;
  const steps = (unit === "in" ? INCH_STEPS : MM_STEPS).filter(
    (step) => step * size * scale >= 4 && step * size >= stepMm - 1e-9,
  );
  const finest = steps.at(-1);
  if (finest === undefined) return [];
  const labelled = steps.filter((step) => step * size * scale >= 34 && Number.isInteger(step)).at(-1);
  const ticks: Tick[] = [];
  const first = Math.max(0, Math.ceil(from / size / finest - 1e-9));
  const last = Math.floor(to / size / finest + 1e-9);
  for (let k = first; k <= last; k++) {
    const value = k * finest;
    const rank = steps.findIndex((step) => isMultiple(value, step));
    const label = labelled !== undefined && isMultiple(value, labelled) ? String(Math.round(value)) : "";
    ticks.push({ at: value * size, rank: steps.length - 1 - rank, label });
  }
  return ticks;
}

const isMultiple = (value: number, step: number) => Math.abs(value / step - Math.round(value / step)) < 1e-6;

/** The row (0, 1, 2) each label goes in so that none overlap, or -1 where there is no room. */
export function stagger(labels: readonly { x: number; width: number }[], rows: number): number[] {
  const ends = new Array<number>(rows).fill(-Infinity);
  return labels.map(({ x, width }) => {
    const row = ends.findIndex((end) => x - width / 2 > end + 4);
    if (row >= 0) ends[row] = x + width / 2;
    return row;
  });
}
