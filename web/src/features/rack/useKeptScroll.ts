import { useEffect, useLayoutEffect, useRef, type RefObject } from "react";

const FRAMES = 30;

interface Scrolled {
  page: number;
  pane: number;
}

/** Each stage is found again where it was left: the page on a phone, the pane of choices beside the drawing. */
export function useKeptScroll(stage: string, pane: RefObject<HTMLElement | null>): void {
  const left = useRef(new Map<string, Scrolled>());
  const here = useRef<Scrolled>({ page: 0, pane: 0 });
  useEffect(() => {
    const note = () => {
      here.current = { page: window.scrollY, pane: pane.current?.scrollTop ?? 0 };
    };
    window.addEventListener("scroll", note, { capture: true, passive: true });
    return () => window.removeEventListener("scroll", note, { capture: true });
  }, [pane]);
  useLayoutEffect(() => {
    const places = left.current;
    const to = places.get(stage) ?? { page: 0, pane: 0 };
    let frame = 0;
    // What a stage shows may come some frames later: until then there is nothing to scroll.
    const place = (more: number) => {
      window.scrollTo(0, to.page);
      if (pane.current) pane.current.scrollTop = to.pane;
      const there =
        Math.abs(window.scrollY - to.page) < 2 && Math.abs((pane.current?.scrollTop ?? 0) - to.pane) < 2;
      if (!there && more > 0) frame = requestAnimationFrame(() => place(more - 1));
    };
    place(FRAMES);
    return () => {
      cancelAnimationFrame(frame);
      places.set(stage, here.current);
    };
  }, [stage, pane]);
}
