import { memo, useId } from "react";

import type { Scene as SceneData } from "../api/types";

interface Props {
  scene: SceneData;
  scale: number;
  /** Leave out the wall's own things: floor, person, reach. */
  bare?: boolean;
}

const SURROUNDINGS = new Set(["floor", "person", "reach"]);
/** Below this many pixels from one holder to the next, fine lines only blur: they are left out. */
const COARSE_PX = 12;
const FINE = new Set(["item-line", "screw", "holder-line", "mark"]);

/** The core's scene as SVG in mm, y up: put it in a group that scales by (s, -s). */
export const Scene = memo(function Scene({ scene, scale, bare = false }: Props) {
  const id = useId();
  const count = scene.instances.length / Math.max(scene.symbols.length, 1);
  const coarse = ((scene.extent.x1 - scene.extent.x0) * scale) / Math.max(count, 1) < COARSE_PX;
  return (
    <g>
      <defs>
        {scene.symbols.map((symbol) => (
          <g key={symbol.key} id={`${id}${symbol.key}`}>
            {symbol.strokes.map(
              (stroke, index) =>
                !(coarse && FINE.has(stroke.role)) && (
                  <path key={index} className={`r r-${stroke.role}`} d={stroke.d} />
                ),
            )}
          </g>
        ))}
      </defs>
      {scene.strokes.map(
        (stroke, index) =>
          !(bare && SURROUNDINGS.has(stroke.role)) && (
            <path key={index} className={`r r-${stroke.role}`} d={stroke.d} />
          ),
      )}
      {scene.instances.map(({ symbol, index, x, y }) => (
        <use key={`${symbol}${index}`} href={`#${id}${symbol}`} x={x} y={y} />
      ))}
    </g>
  );
});
