import { useRef, useState, type KeyboardEvent, type PointerEvent } from "react";

import type { Patch } from "../../api/types";
import { onStep, toScreenX, toScreenY, type View } from "../../drawing/view";
import { Measure } from "../../ui/Measure";
import { useSession, useShown } from "./shown";
import { t } from "../../messages";

const SNAP_PX = 7;
const CLICK_PX = 3;

interface Caught {
  value: string;
  text: string;
  why: string;
}

/**
 * The whole rack, to be dragged on its wall: along it and up, catching at studs, middles, neighbours and heights. Arrow
 * keys move it by a step of the tape.
 */
export function WallHandle({ view }: { view: View }) {
  const session = useSession();
  const on = useShown((shown) => shown.design.on_wall);
  const stored = useShown((shown) => shown.rack.design.on_wall);
  const tape = useShown((shown) => shown.design.tape);
  const hold = useRef<{ x: number; y: number; moved: boolean; patch: Patch | null } | null>(null);
  const [caught, setCaught] = useState<{ x: Caught | null; y: Caught | null }>({ x: null, y: null });
  if (!on || !stored) return null;
  const [left, top] = [toScreenX(view, on.box.x0), toScreenY(view, on.box.y1)];
  const [width, height] = [(on.box.x1 - on.box.x0) * view.scale, (on.box.y1 - on.box.y0) * view.scale];

  const near = (snaps: typeof stored.snaps_x, mm: number): Caught | null =>
    snaps
      .filter((snap) => Math.abs(snap.at - mm) * view.scale < SNAP_PX)
      .sort((a, b) => Math.abs(a.at - mm) - Math.abs(b.at - mm))[0] ?? null;

  function onPointerDown(event: PointerEvent<SVGRectElement>) {
    event.currentTarget.setPointerCapture(event.pointerId);
    hold.current = { x: event.clientX, y: event.clientY, moved: false, patch: null };
    session.hold(true);
  }
  function onPointerMove(event: PointerEvent<SVGRectElement>) {
    const now = hold.current;
    if (!now || !stored) return;
    const [dx, dy] = [event.clientX - now.x, now.y - event.clientY];
    if (!now.moved && Math.hypot(dx, dy) < CLICK_PX) return;
    now.moved = true;
    const [x, y] = [stored.x_mm + dx / view.scale, stored.hung_mm + dy / view.scale];
    const at = { x: near(stored.snaps_x, x), y: near(stored.snaps_y, y) };
    setCaught(at);
    now.patch = {
      place: { x: at.x?.value ?? onStep(x, tape) },
      // A hand that moves it aside does not mean to change its height.
      ...(Math.abs(dy) > SNAP_PX ? { hung: at.y?.value ?? onStep(Math.max(y, tape.step_mm), tape) } : {}),
    };
    session.preview(now.patch);
  }
  function release() {
    const patch = hold.current?.patch;
    hold.current = null;
    setCaught({ x: null, y: null });
    session.hold(false);
    if (patch) session.apply(patch);
  }
  function onKeyDown(event: KeyboardEvent) {
    if (!on) return;
    const by = event.shiftKey ? 10 : 1;
    const [x, y] =
      { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, by], ArrowDown: [0, -by] }[event.key] ?? [];
    if (x === undefined || y === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    if (x)
      session.press("place.x", x, ({ on_wall, tape }, steps) => ({
        place: { x: onStep(on_wall?.x_mm ?? 0, tape, steps) },
      }));
    else
      session.press("hung", y, ({ on_wall, tape }, steps) => ({
        hung: onStep(on_wall?.hung_mm ?? 0, tape, steps),
      }));
  }
  return (
    <g>
      <rect
        role="slider"
        tabIndex={0}
        aria-label={t("rack.the-rack-on-its-wall")}
        aria-valuemin={0}
        aria-valuemax={30000}
        aria-valuenow={Math.round(on.x_mm)}
        aria-valuetext={t("rack.from-the-left-2", { x: on.x })}
        data-on-wall
        x={left}
        y={top}
        width={width}
        height={height}
        rx={4}
        data-grip
        className="cursor-move fill-transparent stroke-transparent stroke-[2.5] outline-none hover:stroke-act focus-visible:stroke-act"
        onPointerDown={onPointerDown}
        onPointerMove={onPointerMove}
        onPointerUp={release}
        onPointerCancel={release}
        onKeyDown={onKeyDown}
      />
      {caught.x && <Caption x={left + width / 2} y={top - 10} text={`${caught.x.text}: ${caught.x.why}`} />}
      {caught.y && (
        <Caption
          x={left + width / 2}
          y={top - 26}
          text={t("rack.up-2", { text: caught.y.text, why: caught.y.why })}
        />
      )}
    </g>
  );
}

function Caption({ x, y, text }: { x: number; y: number; text: string }) {
  const wide = text.length * 6.6 + 12;
  return (
    <g className="pointer-events-none">
      <rect x={x - wide / 2} y={y - 11} width={wide} height={15} rx={2} className="fill-act" />
      <text x={x} y={y} textAnchor="middle" className="hand fill-on-act text-reading">
        <Measure drawn text={text} />
      </text>
    </g>
  );
}
