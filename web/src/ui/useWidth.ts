import { useLayoutEffect, useRef, useState, type RefObject } from "react";

/** How wide an element is, px, as the page changes; what is drawn in it is drawn to that. */
export function useWidth<E extends HTMLElement>(): [RefObject<E | null>, number] {
  const element = useRef<E>(null);
  const [width, setWidth] = useState(800);
  useLayoutEffect(() => {
    if (!element.current) return;
    const watch = new ResizeObserver(([entry]) => entry && setWidth(entry.contentRect.width));
    watch.observe(element.current);
    return () => watch.disconnect();
  }, []);
  return [element, width];
}
