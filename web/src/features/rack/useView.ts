import { useCallback, useLayoutEffect, useMemo, useRef, useState } from "react";

import type { Scene } from "../../api/types";
import { fit, panned, zoomed, type Padding, type Size, type View } from "../../drawing/view";

export type Fit = "rack" | "wall";

/** The rack stands high in its window: slips of working lie below it. */
const RISE = 0.22;

/**
 * The drawing's place in its window. It follows the design to fit, until the user zooms or pans; while `held`
 * (something is being dragged) it stays still under the hand. `x0` is where the scene's own frame begins on its wall, mm: a
 * view that is kept is kept of the wall, so that a rack that is moved moves, and not the wall behind it.
 */
export function useView(scene: Scene, padding: Padding, wallPadding: Padding, held: boolean, x0: number) {
  const [size, setSize] = useState<Size>({ width: 900, height: 600 });
  const [mode, setMode] = useState<Fit>("rack");
  const [own, setOwn] = useState<View | null>(null);
  const [frozen, setFrozen] = useState<View | null>(null);
  const observer = useRef<ResizeObserver | null>(null);

  const fitted = useMemo(
    () => (mode === "rack" ? fit(scene.extent, size, padding, RISE) : fit(scene.wall, size, wallPadding)),
    [scene.extent, scene.wall, size, padding, wallPadding, mode],
  );
  const current = own ?? panned(fitted, -x0 * fitted.scale, 0);
  if (held && !frozen) setFrozen(current);
  if (!held && frozen) setFrozen(null);
  const kept = frozen ?? current;
  const view = useMemo(() => panned(kept, x0 * kept.scale, 0), [kept, x0]);

  const window = useCallback((element: Element | null) => {
    observer.current?.disconnect();
    if (!element) return;
    observer.current = new ResizeObserver(([entry]) => {
      if (entry) setSize({ width: entry.contentRect.width, height: entry.contentRect.height });
    });
    observer.current.observe(element);
  }, []);

  const latest = useRef(kept);
  useLayoutEffect(() => {
    latest.current = kept;
  });

  const zoom = useCallback((factor: number, sx: number, sy: number) => {
    setOwn(zoomed(latest.current, factor, sx, sy));
  }, []);
  const pan = useCallback((dx: number, dy: number) => setOwn(panned(latest.current, dx, dy)), []);
  const show = useCallback((next: Fit) => {
    setOwn(null);
    setMode(next);
  }, []);

  return { view, size, mode: own ? null : mode, window, zoom, pan, show };
}

export type ViewControl = ReturnType<typeof useView>;
