const FOCUSABLE =
  "a[href], button:not(:disabled), input:not(:disabled), textarea:not(:disabled), select:not(:disabled), [tabindex]:not([tabindex='-1'])";
/** A sheet that closes gives the focus back by itself: it is waited for. */
const WAIT_MS = 60;

/** An element that holds what has the focus, and in which of its branches. */
interface Place {
  within: Element;
  branch: number;
}

/** Where an element stands, from the nearest that holds it to the farthest. */
function placesOf(element: Element): Place[] {
  const places: Place[] = [];
  for (let at = element; at.parentElement; at = at.parentElement)
    places.push({ within: at.parentElement, branch: [...at.parentElement.children].indexOf(at) });
  return places;
}

/** The first within it that can have the focus, or itself. */
const reachable = (branch: Element): HTMLElement | undefined =>
  [branch, ...branch.querySelectorAll(FOCUSABLE)].find(
    (one): one is HTMLElement =>
      one instanceof HTMLElement && one.matches(FOCUSABLE) && one.getClientRects().length > 0,
  );

/** What is there now in a place: in the same branch or one after it, or else before it. */
function nearest({ within, branch }: Place): HTMLElement | undefined {
  const branches = [...within.children];
  for (const one of [...branches.slice(branch), ...branches.slice(0, branch).reverse()]) {
    const found = reachable(one);
    if (found) return found;
  }
  return undefined;
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
    for (const place of places) {
      // What holds the whole page is no place: another page begins at its content.
      if (!place.within.isConnected || place.within.querySelector("[href='#main']")) continue;
      const next = nearest(place);
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
