import { useCallback, useRef, useState } from "react";

/**
 * State that a change of page and a reload leave as it was, until it is let go: what is half typed is nobody else's. The
 * last says whether it was there before.
 */
export function useDraft<T>(
  key: string,
  empty: T,
): [T, (next: T | ((old: T) => T)) => void, () => void, boolean] {
  // What is typed into is the same until it goes away, wherever the page has gone meanwhile.
  const [name] = useState(`yardcliff.draft.${key}`);
  const [value, setValue] = useState<T>(() => {
    try {
      return JSON.parse(sessionStorage.getItem(name) ?? "") as T;
    } catch {
      return empty;
    }
  });
  // What was sent may be answered when nothing of it is shown any more: it is let go all the same.
  const now = useRef(value);
  const [found, setFound] = useState(() => value !== empty);
  const [none] = useState(empty);
  const put = useCallback(
    (next: T | ((old: T) => T)) => {
      const fresh = next instanceof Function ? next(now.current) : next;
      now.current = fresh;
      setValue(fresh);
      try {
        sessionStorage.setItem(name, JSON.stringify(fresh));
      } catch {
        /* The browser keeps nothing, or is full: what is typed lives as long as the page. */
      }
    },
    [name],
  );
  const letGo = useCallback(() => {
    now.current = none;
    setValue(none);
    setFound(false);
    sessionStorage.removeItem(name);
  }, [name, none]);
  return [value, put, letGo, found];
}
