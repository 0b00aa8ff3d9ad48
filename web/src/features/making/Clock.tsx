import { useEffect, useState } from "react";

import { wallTime } from "../../api/client";
import { Button } from "../../ui/Button";

const MINUTE_MS = 60_000;
const KEY = (rack: string) => `yardcliff.clock.${rack}`;

interface Props {
  rack: string;
  onTick: (item: string, done: boolean) => void;
}

/** The time at the bench: its start is kept in the browser, its end goes with the ticks, and both into the log. */
export function Clock({ rack, onTick }: Props) {
  const [since, setSince] = useState(() => localStorage.getItem(KEY(rack)));
  const [now, setNow] = useState(() => wallTime());
  useEffect(() => {
    const clock = setInterval(() => setNow(wallTime()), MINUTE_MS / 4);
    return () => clearInterval(clock);
  }, []);
  function clockIn() {
    const start = wallTime();
    localStorage.setItem(KEY(rack), start);
    setSince(start);
    setNow(start);
  }
  function clockOut() {
    onTick(`clock|${since}`, true);
    localStorage.removeItem(KEY(rack));
    setSince(null);
  }
  if (since === null) return <Button onClick={clockIn}>Clock in</Button>;
  return <Button onClick={clockOut}>Clock out, {spent(since, now)}</Button>;
}

/** `42 min`, `1 h 05`: from one time on the wall to another. */
export function spent(since: string, now: string): string {
  const minutes = Math.max(Math.round((Date.parse(now) - Date.parse(since)) / MINUTE_MS), 0);
  const rest = String(minutes % 60).padStart(2, "0");
  return minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${rest}`;
}
