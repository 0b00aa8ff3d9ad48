import { useSyncExternalStore } from "react";

const query = window.matchMedia("(width < 48rem)");

function subscribe(onChange: () => void) {
  query.addEventListener("change", onChange);
  return () => query.removeEventListener("change", onChange);
}

/** Whether the page stands in one column, as on a phone. */
export const useNarrow = () => useSyncExternalStore(subscribe, () => query.matches);
