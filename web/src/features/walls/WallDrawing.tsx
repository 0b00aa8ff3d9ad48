import { useCallback, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from "react";

import type { Wall } from "../../api/types";
import { DimensionLines } from "../../ui/DimensionLines";
import { gripped } from "../../ui/grip";
import { Scene } from "../../ui/Scene";
import { fit, onStep, toScreenX, toScreenY, type View } from "../../drawing/view";
import { obstaclePatch } from "./useWall";
import type { SurveyWrites } from "./writes";
import { t } from "../../messages";

const PADDING = { top: 56, right: 76, bottom: 64, left: 36 };

/** The whole wall with its racks, and what stands on it to be dragged. */
export function WallDrawing({ wall, writes }: { wall: Wall; writes: SurveyWrites }) {
  const [size, setSize] = useState({ width: 900, height: 600 });
  const { scene } = wall.design;
  const view = useMemo(() => fit(scene.extent, size, PADDING), [scene.extent, size]);
  const measure = useCallback((element: SVGSVGElement) => {
    const observer = new ResizeObserver(([entry]) => {
      if (entry) setSize({ width: entry.contentRect.width, height: entry.contentRect.height });
    });
    observer.observe(element);
    const letGo = gripped(element);
    return () => {
      observer.disconnect();
      letGo();
    };
  }, []);
  return (
    <svg
      ref={measure}
      className="absolute inset-0 h-full w-full select-none"
      role="group"
      aria-label={t("walls.the-wall")}
    >
      <rect width={size.width} height={size.height} className="fill-paper" />
      <rect
        x={toScreenX(view, 0)}
        y={toScreenY(view, scene.extent.y1)}
        width={scene.extent.x1 * view.scale}
        height={scene.extent.y1 * view.scale}
        className="fill-wall"
      />
      <g
        className="pointer-events-none"
        transform={`translate(${view.tx} ${view.ty}) scale(${view.scale} ${-view.scale})`}
      >
        <Scene scene={scene} scale={view.scale} />
      </g>
      <DimensionLines dimensions={scene.dimensions} view={view} size={size} />
      {wall.design.survey.obstacles.map((_, index) => (
        <ObstacleHandle key={index} index={index} wall={wall} writes={writes} view={view} />
      ))}
    </svg>
  );
}

interface HandleProps {
  index: number;
  wall: Wall;
  writes: SurveyWrites;
  view: View;
}

/** Something on the wall: dragged, or moved by the arrow keys a step of the tape at a time. */
function ObstacleHandle({ index, wall, writes, view }: HandleProps) {
  const { obstacles } = wall.design.survey;
  const { areas, tape } = wall.design;
  const area = areas[index];
  const one = obstacles[index];
  const from = useRef<{ x: number; y: number } | null>(null);
  const [moved, setMoved] = useState<{ dx: number; dy: number } | null>(null);
  if (!area || !one) return null;
  /** Moved from where it is by then: presses of a key go on from one another. */
  const to = (dx: number, dy: number) =>
    writes.apply((stored) => {
      const { areas, tape } = stored.design;
      const at = areas[index];
      return obstaclePatch(stored, index, {
        ...(at && dx && { x: onStep(at.x0 + dx, tape) }),
        ...(at && dy && { y: onStep(at.y0 + dy, tape) }),
      });
    });

  function onPointerMove(event: PointerEvent) {
    if (from.current)
      setMoved({
        dx: (event.clientX - from.current.x) / view.scale,
        dy: one?.kind === "door" ? 0 : (from.current.y - event.clientY) / view.scale,
      });
  }
  function release() {
    from.current = null;
    if (moved && Math.hypot(moved.dx, moved.dy) * view.scale > 3) to(moved.dx, moved.dy);
    setMoved(null);
  }
  function onKeyDown(event: KeyboardEvent) {
    const [dx, dy] =
      { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key] ?? [];
    if (dx === undefined || dy === undefined) return;
    event.preventDefault();
    to(dx * tape.step_mm, dy * tape.step_mm);
  }
  const { dx, dy } = moved ?? { dx: 0, dy: 0 };
  return (
    <g>
      <rect
        role="slider"
        tabIndex={0}
        aria-label={t("walls.on-the-wall-2", { kind: one.kind })}
        aria-valuemin={0}
        aria-valuemax={30000}
        aria-valuenow={Math.round(area.x0)}
        aria-valuetext={t("walls.from-the-left", { fields: wall.design.fields[`obstacles.${index}.x`] })}
        x={toScreenX(view, area.x0 + dx)}
        y={toScreenY(view, area.y1 + dy)}
        width={Math.max((area.x1 - area.x0) * view.scale, 12)}
        height={Math.max((area.y1 - area.y0) * view.scale, 12)}
        data-grip
        className={`cursor-move stroke-[2.5] outline-none hover:stroke-act focus-visible:stroke-act ${
          moved ? "fill-act/15 stroke-act" : "fill-transparent stroke-transparent"
        }`}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          from.current = { x: event.clientX, y: event.clientY };
        }}
        onPointerMove={onPointerMove}
        onPointerUp={release}
        onPointerCancel={() => {
          from.current = null;
          setMoved(null);
        }}
        onKeyDown={onKeyDown}
      />
    </g>
  );
}
