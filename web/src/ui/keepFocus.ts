const FOCUSABLE =
  "a[href], button:not(:disabled), input:not(:disabled), textarea:not(:disabled), select:not(:disabled), [tabindex]:not([tabindex='-1'])";
/** So many levels up a place is remembered. */
const LEVELS = 12;
/** A sheet that closes gives the focus back by itself: it is waited for. */
const WAIT_MS = 60;

interface Place {
  within: Element;
  index: number;
}

const reachable = (within: Element): HTMLElement[] =>
  [...within.querySelectorAll<HTMLElement>(FOCUSABLE)].filter((one) => one.getClientRects().length > 0);

/** Where an element stands, from the nearest that holds it to the farthest. */
function placesOf(element: Element): Place[] {
  const places: Place[] = [];
  for (let at = element.parentElement; at && places.length < LEVELS; at = at.parentElement)
    places.push({ within: at, index: reachable(at).indexOf(element as HTMLElement) });
  return places;
}

/**
 * Keeps the focus on the page: where what has it goes away or is switched off, it goes to what is there now in its
 * place, or near it. Otherwise whoever works by keys would begin anew at the top of the page.
 */
export function keepFocus(page: Document): void {
  let last: Element | null = null;
  let places: Place[] = [];
  let waiting = 0;

  function mend() {
    waiting = 0;
    const active = page.activeElement;
    if ((active && active !== page.body && !active.matches(":disabled")) || !last) return;
    if (last.isConnected && !last.matches(":disabled")) return; // it was left on purpose
    for (const { within, index } of places) {
      // What holds the whole page is no place: another page begins at its content.
      if (!within.isConnected || within.querySelector("[href='#main']")) continue;
      const there = reachable(within);
      const next = there[Math.min(Math.max(index, 0), there.length - 1)];
      if (!next) continue;
      next.focus({ preventScroll: true });
      return;
    }
    page.getElementById("main")?.focus({ preventScroll: true }); // or once it is there
  }
  page.addEventListener("focusin", ({ target }) => {
    if (!(target instanceof Element) || target === page.body) return;
    last = target;
    places = placesOf(target);
  });
  new MutationObserver(() => {
    if (last && !waiting) waiting = window.setTimeout(mend, WAIT_MS);
  }).observe(page.body, { childList: true, subtree: true, attributes: true, attributeFilter: ["disabled"] });
}
