import { memo, useId, useMemo } from "react";

import type { Scene as SceneData } from "../api/types";

interface Props {
  scene: SceneData;
  scale: number;
  /** Leave out the wall's own things: floor, person, reach. */
  bare?: boolean;
}

type Symbol = SceneData["symbols"][number];

const SURROUNDINGS = new Set([
  ...["floor", "person", "reach", "wall-line", "stud", "skirting", "obstacle", "swing", "old", "neighbour"],
  "fixing",
]);
/** Below this many pixels from one holder to the next, fine lines only blur: they are left out. */
const COARSE_PX = 12;
const FINE = new Set(["item-line", "screw", "holder-line", "mark"]);
/** From this many holders on it pays to draw less of each. */
const MANY = 60;
/** Below this many pixels, not even the outline can be told: each place is drawn as a line of its width. */
const BOXES_PX = 6;
/** Below this many pixels, things of one kind are one band. */
const SOLID_PX = 3;

/** The core's scene as SVG in mm, y up: put it in a group that scales by (s, -s). */
export const Scene = memo(function Scene({ scene, scale, bare = false }: Props) {
  const count = scene.symbols.find((symbol) => symbol.of === "holder")?.places.length ?? 1;
  const spacing = ((scene.extent.x1 - scene.extent.x0) * scale) / count;
  const boxed = count >= MANY && spacing < BOXES_PX;
  const walls = bare ? [] : scene.symbols.filter(({ of }) => of === "wall");
  const symbols = scene.symbols.filter(({ of, key }) => of !== "wall" && !(bare && key === "fixing"));
  const solid = spacing < SOLID_PX && scene.symbols.filter((symbol) => symbol.of === "item").length === 1;
  return (
    <g>
      {walls.map((symbol) => (
        <Placed key={symbol.key} symbol={symbol} coarse={false} />
      ))}
      {scene.strokes.map(
        (stroke, index) =>
          !(bare && SURROUNDINGS.has(stroke.role)) && (
            <path key={index} className={`r r-${stroke.role}`} d={stroke.d} />
          ),
      )}
      {symbols.map((symbol) =>
        boxed ? (
          <Boxes key={symbol.key} symbol={symbol} scale={scale} solid={solid && symbol.of === "item"} />
        ) : (
          <Placed key={symbol.key} symbol={symbol} coarse={spacing < COARSE_PX} />
        ),
      )}
    </g>
  );
});

function Placed({ symbol, coarse }: { symbol: Symbol; coarse: boolean }) {
  const id = useId() + symbol.key;
  return (
    <>
      <defs>
        <g id={id}>
          {symbol.strokes.map(
            (stroke, index) =>
              !(coarse && FINE.has(stroke.role)) && (
                <path key={index} className={`r r-${stroke.role}`} d={stroke.d} />
              ),
          )}
        </g>
      </defs>
      {symbol.places.map(([x, y], index) => (
        <use key={index} href={`#${id}`} x={x} y={y} />
      ))}
    </>
  );
}

/** Hundreds of places as one path of upright lines, or as one band, so that a long rail still follows a drag. */
function Boxes({ symbol, scale, solid }: { symbol: Symbol; scale: number; solid: boolean }) {
  const box = useMemo(() => bounds(symbol.strokes.map((stroke) => stroke.d).join(" ")), [symbol.strokes]);
  const [first, last] = [symbol.places[0], symbol.places.at(-1)];
  if (!first || !last) return null;
  if (solid)
    return (
      <path
        className={`r r-${symbol.of} stroke-none`}
        d={`M${first[0] + box.x0} ${first[1] + box.y0}H${last[0] + box.x1}V${first[1] + box.y1}H${first[0] + box.x0}Z`}
      />
    );
  // Filled, at least a pixel wide: stroking hundreds of lines anew takes longer than filling them.
  const half = Math.max(box.x1 - box.x0, 1 / scale) / 2;
  const middle = (box.x0 + box.x1) / 2;
  return (
    <path
      className={symbol.of === "item" ? "fill-(--item-line)" : "fill-(--metal)"}
      shapeRendering="crispEdges"
      d={symbol.places
        .map(
          ([x, y]) =>
            `M${x + middle - half} ${y + box.y0}H${x + middle + half}V${y + box.y1}H${x + middle - half}Z`,
        )
        .join("")}
    />
  );
}

function bounds(d: string) {
  const numbers = d.match(/-?[\d.]+/g)?.map(Number) ?? [0, 0];
  const xs = numbers.filter((_, index) => index % 2 === 0);
  const ys = numbers.filter((_, index) => index % 2 === 1);
  return { x0: Math.min(...xs), y0: Math.min(...ys), x1: Math.max(...xs), y1: Math.max(...ys) };
}
