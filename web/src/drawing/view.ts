import type { Box, Scene } from "../api/types";

/** Where the drawing lies in its window: screen = (x * scale + tx, ty - y * scale); mm, y up. */
export interface View {
  scale: number;
  tx: number;
  ty: number;
}

export interface Size {
  width: number;
  height: number;
}

export interface Padding {
  top: number;
  right: number;
  bottom: number;
  left: number;
}

const MIN_SCALE = 0.003;
const MAX_SCALE = 8;

export const toScreenX = (view: View, x: number) => x * view.scale + view.tx;
export const toScreenY = (view: View, y: number) => view.ty - y * view.scale;
export const toModelX = (view: View, sx: number) => (sx - view.tx) / view.scale;

/** How a row lies in its window: `along` is a view along it from its datum, put in place by `transform`. */
export interface Run {
  up: boolean;
  along: View;
  transform: string;
}

/** The row that starts at `origin` (mm): along the wall, or up it, drawn lying and turned. */
export function runOf(view: View, up: boolean, [x = 0, y = 0]: readonly number[]): Run {
  const at = `translate(${toScreenX(view, x)} ${toScreenY(view, y)})`;
  return {
    up,
    along: { scale: view.scale, tx: 0, ty: 0 },
    transform: up ? `${at} rotate(-90)` : at,
  };
}

/** Where along the row's way across the screen a pointer is, px. */
export const alongRun = (run: Run, event: { clientX: number; clientY: number }) =>
  run.up ? -event.clientY : event.clientX;

/** The view that shows `box` as large as the padding allows; of the height left over, `rise` lies above it. */
export function fit(box: Box, size: Size, padding: Padding, rise = 0.5): View {
  const width = Math.max(size.width - padding.left - padding.right, 40);
  const height = Math.max(size.height - padding.top - padding.bottom, 40);
  const scale = clamp(
    Math.min(width / Math.max(box.x1 - box.x0, 1), height / Math.max(box.y1 - box.y0, 1)),
    MIN_SCALE,
    MAX_SCALE,
  );
  return {
    scale,
    tx: padding.left + width / 2 - (scale * (box.x0 + box.x1)) / 2,
    ty: padding.top + (height - scale * (box.y1 - box.y0)) * rise + scale * box.y1,
  };
}

/** Zoomed by `factor`, the point under (sx, sy) staying where it is. */
export function zoomed(view: View, factor: number, sx: number, sy: number): View {
  const scale = clamp(view.scale * factor, MIN_SCALE, MAX_SCALE);
  const ratio = scale / view.scale;
  return { scale, tx: sx - (sx - view.tx) * ratio, ty: sy - (sy - view.ty) * ratio };
}

export const panned = (view: View, dx: number, dy: number): View => ({
  ...view,
  tx: view.tx + dx,
  ty: view.ty + dy,
});

const clamp = (value: number, low: number, high: number) => Math.min(Math.max(value, low), high);

interface Tape {
  name: string;
  step_mm: number;
}

const stepsTo = (mm: number, tape: Tape, nudge = 0) => Math.max(0, Math.round(mm / tape.step_mm) + nudge);

/**
 * A place in mm as exact text on the tape's nearest step: `758*1/16 in`. The server multiplies it out, so no
 * rounding of a float gets into the design.
 */
export const onStep = (mm: number, tape: Tape, nudge = 0) => `${stepsTo(mm, tape, nudge)}*${tape.name}`;

/** The same as it is drawn, mm. */
export const snapped = (mm: number, tape: Tape) => stepsTo(mm, tape) * tape.step_mm;

/** A scene in two: what stands at mark `mark` of its first row, and the rest. */
export function apart(scene: Scene, mark: number): { inHand: Scene; rest: Scene } {
  const part = (symbol: Scene["symbols"][number], held: boolean) => {
    const ours = (_: unknown, index: number) => (symbol.marks[index] === mark) === held;
    return { ...symbol, places: symbol.places.filter(ours), marks: symbol.marks.filter(ours) };
  };
  const at = scene.symbols.filter(({ marks }) => marks.includes(mark));
  return {
    inHand: { ...scene, strokes: [], symbols: at.map((symbol) => part(symbol, true)) },
    rest: {
      ...scene,
      symbols: scene.symbols.map((symbol) => (at.includes(symbol) ? part(symbol, false) : symbol)),
    },
  };
}
