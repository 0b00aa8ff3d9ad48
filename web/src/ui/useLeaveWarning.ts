import { useEffect, useEffectEvent } from "react";

/** Whoever closes the window is asked, while something of it is `unsent`. */
export function useLeaveWarning(unsent: () => boolean): void {
  const onLeave = useEffectEvent((event: BeforeUnloadEvent) => unsent() && event.preventDefault());
  useEffect(() => {
    window.addEventListener("beforeunload", onLeave);
    return () => window.removeEventListener("beforeunload", onLeave);
  }, []);
}
