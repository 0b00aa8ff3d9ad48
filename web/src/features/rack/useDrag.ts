import { useCallback, useEffect, useRef, type PointerEvent } from "react";

import type { Patch } from "../../api/types";
import { toModelX, toScreenX, type View } from "../../drawing/view";
import { useSession } from "./shown";

const CLICK_PX = 3;

interface Hold {
  startX: number;
  moved: boolean;
  /** What the hand points at: a reading on the tape, or a place in the order. */
  at: string;
  offset: number;
  toAt: (mm: number) => string;
  toPatch: (at: string) => Patch;
  patch: Patch | null;
}

/** What is held by the pointer and dragged along the board: tried on every move, stored when it is let go. */
export function useDrag(view: View) {
  const session = useSession();
  const hold = useRef<Hold | null>(null);

  function grab(event: PointerEvent<SVGElement>, from: number, toAt: Hold["toAt"], toPatch: Hold["toPatch"]) {
    event.currentTarget.setPointerCapture(event.pointerId);
    const offset = toScreenX(view, from) - event.clientX;
    hold.current = { startX: event.clientX, moved: false, at: "", offset, toAt, toPatch, patch: null };
    session.hold(true);
  }
  function drag({ clientX }: { clientX: number }) {
    const now = hold.current;
    if (!now) return;
    if (!now.moved && Math.abs(clientX - now.startX) < CLICK_PX) return;
    const at = now.toAt(toModelX(view, clientX + now.offset));
    if (now.at === at) return;
    now.moved = true;
    now.at = at;
    now.patch = now.toPatch(at);
    session.preview(now.patch);
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
    if (now?.patch) session.apply(now.patch);
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
