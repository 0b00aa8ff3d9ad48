import { startTransition, useEffect, useRef, useState } from "react";

/** `value`, let through at most once in `ms`; the last one always arrives. */
export function useThrottled<T>(value: T, ms: number): T {
  const [shown, setShown] = useState(value);
  const last = useRef(0);
  useEffect(() => {
    const wait = Math.max(0, last.current + ms - performance.now());
    const timer = setTimeout(() => {
      last.current = performance.now();
      startTransition(() => setShown(value)); // it may take several frames, and gives way to a hand
    }, wait);
    return () => clearTimeout(timer);
  }, [value, ms]);
  return shown;
}
