import { useCallback, useEffect, useRef, type PointerEvent } from "react";

import type { Design, Patch } from "../../api/types";
import { alongRun, type Run } from "../../drawing/view";
import type { Hand } from "./state";
import { useSession } from "./shown";

const CLICK_PX = 3;

interface Hold {
  start: number;
  from: number;
  moved: boolean;
  at: string;
  takes: Taking;
}

/** What comes of where the hand is. */
interface Taking {
  /** What it points at, mm along the row: a reading on the tape, or a place in the order. */
  toAt: (mm: number) => string;
  toPatch: (design: Design, at: string) => Patch;
  /** The holder that goes with it at once, before its row is worked out. */
  toHand?: (mm: number) => Hand;
}

/** What is held by the pointer and dragged along the row: tried on every move, stored when it is let go. */
export function useDrag(run: Run) {
  const session = useSession();
  const hold = useRef<Hold | null>(null);

  function grab(event: PointerEvent<SVGElement>, from: number, takes: Taking) {
    event.currentTarget.setPointerCapture(event.pointerId);
    hold.current = { start: alongRun(run, event), from, moved: false, at: "", takes };
    session.hold(true);
  }
  function drag(event: { clientX: number; clientY: number }) {
    const now = hold.current;
    if (!now) return;
    const by = alongRun(run, event) - now.start;
    if (!now.moved && Math.abs(by) < CLICK_PX) return;
    const x = now.from + by / run.along.scale;
    const { toAt, toPatch, toHand } = now.takes;
    const at = toAt(x);
    if (now.at === at) return;
    now.moved = true;
    now.at = at;
    session.preview(toPatch(session.rack.design, at), toHand?.(x));
  }
  // Where the browser has it, the raw event comes without waiting for the next frame: the answer is there for it.
  const latest = useRef(drag);
  useEffect(() => {
    latest.current = drag;
  });
  const group = useCallback((element: SVGGElement | null) => {
    element?.addEventListener("pointerrawupdate", (event) =>
      latest.current(event as globalThis.PointerEvent),
    );
  }, []);
  function release(onClick?: () => void) {
    const now = hold.current;
    hold.current = null;
    session.hold(false);
    if (now?.moved) session.apply((design) => now.takes.toPatch(design, now.at));
    else if (now && onClick) onClick();
  }
  function cancel() {
    hold.current = null;
    session.hold(false);
    session.preview(null);
  }
  return {
    /** The group that holds what can be dragged. */
    group,
    grab,
    /** What an element that is grabbed listens to. */
    held: (onClick?: () => void) => ({
      onPointerMove: drag,
      onPointerUp: () => release(onClick),
      onPointerCancel: cancel,
    }),
  };
}
