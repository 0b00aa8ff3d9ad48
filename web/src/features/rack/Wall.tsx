import { useEffect, useRef, type PointerEvent } from "react";

import type { Scene } from "../../api/types";
import { toScreenX, toScreenY } from "../../drawing/view";
import { Scene as SceneDrawing } from "../../ui/Scene";
import { Dimensions } from "./Dimensions";
import { Flags } from "./Flags";
import { Handles } from "./Handles";
import { useShown } from "./shown";
import type { ViewControl } from "./useView";

/**
 * The wall with the rack and what hangs on it, at true scale, and the handles to change it by; or one of the
 * rack's other views.
 */
export function Wall({ control, scene }: { control: ViewControl; scene: Scene }) {
  const front = useShown((shown) => shown.design.scene === scene);
  const { view, size, zoom, pan, window } = control;
  const svg = useRef<SVGSVGElement>(null);
  const from = useRef<{ x: number; y: number } | null>(null);

  useEffect(() => {
    const element = svg.current;
    if (!element) return;
    window(element);
    // React listens to the wheel passively; zooming has to keep the page from scrolling.
    const onWheel = (event: WheelEvent) => {
      event.preventDefault();
      const box = element.getBoundingClientRect();
      zoom(Math.exp(-event.deltaY * 0.0015), event.clientX - box.left, event.clientY - box.top);
    };
    element.addEventListener("wheel", onWheel, { passive: false });
    return () => element.removeEventListener("wheel", onWheel);
  }, [window, zoom]);

  function onPointerDown(event: PointerEvent<SVGRectElement>) {
    if (event.pointerType === "touch") return;
    from.current = { x: event.clientX, y: event.clientY };
    event.currentTarget.setPointerCapture(event.pointerId);
  }
  function onPointerMove(event: PointerEvent<SVGRectElement>) {
    if (!from.current) return;
    pan(event.clientX - from.current.x, event.clientY - from.current.y);
    from.current = { x: event.clientX, y: event.clientY };
  }

  const floor = toScreenY(view, 0);
  const reach = scene.strokes.find((stroke) => stroke.role === "reach");
  return (
    <svg ref={svg} className="absolute inset-0 h-full w-full select-none" role="group" aria-label="The wall">
      <rect
        className="cursor-grab fill-wall active:cursor-grabbing"
        width={size.width}
        height={size.height}
        onPointerDown={onPointerDown}
        onPointerMove={onPointerMove}
        onPointerUp={() => (from.current = null)}
      />
      {front && floor < size.height && (
        <rect
          y={floor}
          width={size.width}
          height={size.height - floor}
          className="pointer-events-none fill-paper"
        />
      )}
      <g
        className="pointer-events-none"
        transform={`translate(${view.tx} ${view.ty}) scale(${view.scale} ${-view.scale})`}
      >
        <SceneDrawing scene={scene} scale={view.scale} />
      </g>
      {reach && (
        <text
          className="pointer-events-none fill-soft text-[11px]"
          x={toScreenX(view, scene.wall.x0) + 4}
          y={toScreenY(view, 1950) - 5}
        >
          in easy reach
        </text>
      )}
      <Dimensions dimensions={scene.dimensions} view={view} size={size} />
      {front && <Handles view={view} />}
      {front && <Flags view={view} />}
    </svg>
  );
}
