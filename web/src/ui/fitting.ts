import type { Scene } from "../api/types";

/** Pixels per mm at which each of these fits into such a picture. */
export const fitting = (scenes: readonly Scene[], picture: { width: number; height: number }): number =>
  Math.min(
    ...scenes.map(({ extent: { x0, x1 } }) => picture.width / (x1 - x0)),
    ...scenes.map(({ extent: { y0, y1 } }) => picture.height / (y1 - y0)),
  );
