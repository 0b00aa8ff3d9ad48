import type { Dimension } from "../api/types";
import { toScreenX, toScreenY, type View } from "./view";

/** Pixels: from the feature to the first line, from one line to the next, to a second row of text. */
const FIRST = 20;
const STEP = 36;
const ROW = 15;
/** Between two texts of a row. */
const GAP = 6;

export interface PlacedDimension {
  dimension: Dimension;
  /** The line's ends and the feature, in screen pixels; for axis y the roles of x and y swap. */
  from: number;
  to: number;
  line: number;
  feature: number;
  side: 1 | -1;
  textX: number;
  textY: number;
}

/** Screen width of dimension text at the drawing's size. */
export const textWidth = (text: string) => text.length * 7.1 + 6;

/**
 * Places dimension lines and their text so that no text stands on a line or on another text. Text wider than
 * its span moves into a second row, inside the outermost lines; where there is no room left it is dropped.
 */
export function placeDimensions(dimensions: readonly Dimension[], view: View): PlacedDimension[] {
  const spans = dimensions
    .map((dimension) => {
      const along = dimension.axis === "x" ? toScreenX : toScreenY;
      const ends = [along(view, dimension.start), along(view, dimension.end)];
      // On screen "above" is a smaller y, "right" a larger x.
      const side: 1 | -1 = (dimension.axis === "x") === dimension.side > 0 ? -1 : 1;
      const feature = (dimension.axis === "x" ? toScreenY : toScreenX)(view, dimension.at);
      return { dimension, from: Math.min(...ends), to: Math.max(...ends), side, feature };
    })
    .sort((a, b) => a.dimension.level - b.dimension.level || a.from + a.to - b.from - b.to);
  const outer = new Map<string, [number, number]>();
  for (const { dimension, side, from, to } of spans) {
    const key = `${dimension.axis}${side}`;
    const [low, high] = outer.get(key) ?? [from, to];
    outer.set(key, [Math.min(low, from), Math.max(high, to)]);
  }
  const overall = new Set(
    spans.filter((s) => s.dimension.level > 1).map((s) => `${s.dimension.axis}${s.side}`),
  );
  const raised = new Map<string, number>();
  const leads = (of: Dimension, side: number) =>
    spans
      .filter((s) => s.dimension.axis === of.axis && s.side === side && s.dimension.level > of.level)
      .flatMap(({ from, to }) => [from, to])
      .sort((a, b) => a - b);
  return spans.flatMap(({ dimension, side, from, to, feature }) => {
    const line = feature + side * (FIRST + STEP * (dimension.level - 1));
    const half = textWidth(dimension.text) / 2;
    let middle = (from + to) / 2;
    let lift = 5;
    if (2 * half > to - from) {
      const lane = `${dimension.axis}${side}${dimension.level}`;
      const ends = outer.get(`${dimension.axis}${side}`);
      // Where an overall dimension stands outside, its extension lines are the text's bounds.
      const [low, high] = ends && overall.has(`${dimension.axis}${side}`) ? ends : [-Infinity, Infinity];
      middle = Math.max(Math.min(middle, high - half), Math.max(low, raised.get(lane) ?? low) + half);
      // The lines that lead up to the dimensions outside this one pass through its row of text.
      for (const end of leads(dimension, side))
        if (end > middle - half && end < middle + half) middle = end + half + 2;
      if (dimension.level === 1 && middle + half > high + 1) return [];
      raised.set(lane, middle + half + GAP);
      lift += ROW;
    }
    // Text reads from below (x) or from the right (y): its baseline is above or left of the line.
    const below = side > 0 && lift > ROW;
    const across = below ? line + lift : line - lift;
    const [textX, textY] = dimension.axis === "x" ? [middle, across] : [across, middle];
    return [{ dimension, from, to, line, feature, side, textX, textY }];
  });
}
