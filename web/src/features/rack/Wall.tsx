import { useEffect, useMemo, useRef, type PointerEvent } from "react";

import type { Scene } from "../../api/types";
import { apart, toScreenX, toScreenY, type View } from "../../drawing/view";
import { Scene as SceneDrawing } from "../../ui/Scene";
import { gripped } from "../../ui/grip";
import { Measure } from "../../ui/Measure";
import { Dimensions } from "./Dimensions";
import { Flags } from "./Flags";
import { Handles } from "./Handles";
import { useShown } from "./shown";
import type { ViewControl } from "./useView";
import { WallHandle } from "./WallHandle";
import { t } from "../../messages";

interface Props {
  control: ViewControl;
  scene: Scene;
  placing: boolean;
}

/**
 * The wall with the rack and what hangs on it, at true scale, and the handles to change it by, or to move it by while it is
 * being `placing`; or one of the rack's other views.
 */
export function Wall({ control, scene, placing }: Props) {
  const front = useShown((shown) => shown.design.scene === scene);
  const mark = useShown((shown) => (front ? shown.hand?.mark : undefined));
  // What is in hand goes with the pointer; the row follows when it is worked out.
  const { inHand, rest } = useMemo(
    () => (mark === undefined ? { inHand: null, rest: scene } : apart(scene, mark)),
    [scene, mark],
  );
  const onWall = useShown((shown) => shown.design.on_wall);
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
    const letGo = gripped(element);
    return () => {
      element.removeEventListener("wheel", onWheel);
      letGo();
    };
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

  const face = front ? onWall?.face : undefined;
  const seen = ({ x }: { x: number }) => toScreenX(view, x) > 0 && toScreenX(view, x) < size.width;
  const floor = toScreenY(view, 0);
  return (
    <>
      <svg
        ref={svg}
        className="absolute inset-0 isolate h-full w-full select-none"
        role="group"
        aria-label={t("rack.the-wall")}
      >
        <rect
          className={`cursor-grab active:cursor-grabbing ${face ? "fill-paper" : "fill-wall"}`}
          width={size.width}
          height={size.height}
          onPointerDown={onPointerDown}
          onPointerMove={onPointerMove}
          onPointerUp={() => (from.current = null)}
        />
        {face && (
          <rect
            className="pointer-events-none fill-wall"
            x={toScreenX(view, face.x0)}
            y={toScreenY(view, face.y1)}
            width={(face.x1 - face.x0) * view.scale}
            height={(face.y1 - face.y0) * view.scale}
          />
        )}
        {front && floor < size.height && (
          <rect
            y={floor}
            width={size.width}
            height={size.height - floor}
            className="pointer-events-none fill-paper"
          />
        )}
        <g className="pointer-events-none" transform={inView(view)}>
          <SceneDrawing scene={rest} scale={view.scale} />
        </g>
        {scene.labels.filter(seen).map((label, index) => (
          <text
            key={index}
            className={`hand pointer-events-none text-reading ${label.role === "force" ? "fill-stop font-semibold" : "fill-soft"}`}
            textAnchor={label.anchor}
            x={toScreenX(view, label.x)}
            y={toScreenY(view, label.y)}
          >
            <Measure drawn text={label.text} />
          </text>
        ))}
        <Dimensions
          dimensions={front && placing && onWall ? onWall.dimensions : scene.dimensions}
          view={view}
          size={size}
        />
        {front && (placing ? <WallHandle view={view} /> : <Handles view={view} />)}
        {front && <Flags view={view} />}
      </svg>
      {inHand && <InHand scene={inHand} view={view} />}
    </>
  );
}

const inView = ({ tx, ty, scale }: View) => `translate(${tx} ${ty}) scale(${scale} ${-scale})`;

/** What is in hand, in a layer of its own: to move it, nothing is painted anew. */
function InHand({ scene, view }: { scene: Scene; view: View }) {
  const by = useShown(({ hand, design }) => (hand ? hand.x - (design.marks.x[hand.mark] ?? hand.x) : 0));
  const up = useShown((shown) => shown.design.up);
  const [x, y] = up ? [0, -by * view.scale] : [by * view.scale, 0];
  return (
    <div
      data-in-hand
      aria-hidden
      className="pointer-events-none absolute top-0 left-0 z-10 will-change-transform"
      style={{ transform: `translate(${x}px, ${y}px)` }}
    >
      <svg className="size-px overflow-visible">
        <g transform={inView(view)}>
          <SceneDrawing scene={scene} scale={view.scale} />
        </g>
      </svg>
    </div>
  );
}
