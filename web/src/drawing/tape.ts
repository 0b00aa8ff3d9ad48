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

/**
 * The row (0 the nearest, 1 above it) each label goes in, or -1 where there is no room: labels do not overlap, and
 * the line that leads up to row 1 passes between those of row 0.
 */
export function stagger(labels: readonly { x: number; width: number }[]): number[] {
  const ends: [number, number] = [-Infinity, -Infinity];
  let lastLine = -Infinity;
  return labels.map(({ x, width }) => {
    const left = x - width / 2;
    if (left > ends[0] + 4 && left > lastLine + 2) {
      ends[0] = x + width / 2;
      return 0;
    }
    if (left > ends[1] + 4 && x > ends[0] + 2) {
      ends[1] = x + width / 2;
      lastLine = x;
      return 1;
    }
    return -1;
  });
}
