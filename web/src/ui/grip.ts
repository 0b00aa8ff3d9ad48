/**
 * Has what is marked `data-grip` in a drawing dragged by a finger, while the rest of it scrolls the page. In SVG only the
 * outermost element may say what a touch does (`touch-action`): there it would keep the page from scrolling everywhere.
 * A touch that is taken here makes no click; whoever is gripped hears of a tap by its `pointerup`.
 */
export function gripped(drawing: SVGSVGElement): () => void {
  const take = (event: TouchEvent) => {
    if ((event.target as Element).closest("[data-grip]")) event.preventDefault();
  };
  drawing.addEventListener("touchstart", take, { passive: false });
  return () => drawing.removeEventListener("touchstart", take);
}
