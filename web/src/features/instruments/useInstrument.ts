import { useEffect, useState } from "react";

/** What an instrument shows now; `value` is what is taken once it is `steady`. */
export interface Shown {
  text: string;
  value: string;
  steady: boolean;
  says: string;
}

const AWAY: Shown = {
  text: "",
  value: "",
  steady: false,
  says: "Nothing comes from it. Is Yardcliff still running?",
};

/** An instrument that is held to something, mm, as it sends what it shows; nothing where none is chosen. */
export function useInstrument(name: string | null, held: number | null, tape: string): Shown | null {
  const [shown, setShown] = useState<{ of: string; now: Shown } | null>(null);
  const of = name && held !== null ? `${name}?${new URLSearchParams({ held: held.toFixed(3), tape })}` : null;
  useEffect(() => {
    if (of === null) return;
    let left = false;
    const socket = new WebSocket(`${location.origin.replace(/^http/, "ws")}/api/instruments/${of}`);
    socket.onmessage = (event: MessageEvent<string>) =>
      setShown({ of, now: JSON.parse(event.data) as Shown });
    socket.onclose = () => {
      if (!left) setShown({ of, now: AWAY });
    };
    return () => {
      left = true;
      socket.close();
    };
  }, [of]);
  return shown && shown.of === of ? shown.now : null;
}
