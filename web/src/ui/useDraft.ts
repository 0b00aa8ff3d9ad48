import { useState } from "react";

/** State that a change of page and a reload leave as it was, until it is let go: what is half typed is nobody else's. */
export function useDraft<T>(key: string, empty: T): [T, (next: T | ((old: T) => T)) => void, () => void] {
  const name = `yardcliff.draft.${key}`;
  const [value, setValue] = useState<T>(() => {
    try {
      return JSON.parse(sessionStorage.getItem(name) ?? "") as T;
    } catch {
      return empty;
    }
  });
  const put = (next: T | ((old: T) => T)) =>
    setValue((old) => {
      const fresh = next instanceof Function ? next(old) : next;
      sessionStorage.setItem(name, JSON.stringify(fresh));
      return fresh;
    });
  return [
    value,
    put,
    () => {
      sessionStorage.removeItem(name);
      setValue(empty);
    },
  ];
}
