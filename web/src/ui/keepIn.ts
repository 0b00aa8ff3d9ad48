/** Moves what opens at a field, once it is there, right into the pane that would cut it off. */
export function keepIn(node: HTMLElement | null) {
  if (!node) return;
  let pane = node.parentElement;
  while (pane && getComputedStyle(pane).overflowX === "visible") pane = pane.parentElement;
  const cut = (pane?.getBoundingClientRect().left ?? 0) + 4 - node.getBoundingClientRect().left;
  if (cut > 0) node.style.translate = `${cut}px`;
}
