import { useEffect } from "react";

/** Keeps the screen awake where the browser can; it lets go by itself when the page is hidden, so it is asked again. */
export function useWake() {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    const ask = () => {
      if (document.visibilityState !== "visible" || !("wakeLock" in navigator)) return;
      navigator.wakeLock.request("screen").then(
        (got) => (lock = got),
        () => undefined,
      );
    };
    ask();
    document.addEventListener("visibilitychange", ask);
    return () => {
      document.removeEventListener("visibilitychange", ask);
      void lock?.release();
    };
  }, []);
}
