import { useEffect, useState } from "react";

import { wallTime } from "../../api/client";
import type { Tick } from "../../api/types";
import { Button } from "../../ui/Button";
import { t } from "../../messages";

const MINUTE_MS = 60_000;
const CLOCK = "clock";

interface Props {
  /** Since when somebody is at the bench, by any device. */
  since: string | null;
  onTick: (item: string, done: boolean) => void;
}

/** The time at the bench: its start and its end are told like ticks, and go into the log. */
export function Clock({ since, onTick }: Props) {
  const [now, setNow] = useState(() => wallTime());
  useEffect(() => {
    const clock = setInterval(() => setNow(wallTime()), MINUTE_MS / 4);
    return () => clearInterval(clock);
  }, []);
  if (since === null) return <Button onClick={() => onTick(CLOCK, true)}>{t("making.clock-in")}</Button>;
  return (
    <Button onClick={() => onTick(`${CLOCK}|${since}`, true)}>
      {t("making.clock-out", { spent: spent(since, now < since ? since : now) })}
    </Button>
  );
}

/** Since when the clock runs, with what was said and not heard yet. */
export function runningSince(since: string | null, unsent: Tick[]): string | null {
  return unsent.reduce<string | null>((running, { item, at }) => {
    if (item === CLOCK) return running ?? at ?? null;
    return item.startsWith(`${CLOCK}|`) ? null : running;
  }, since);
}

/** `42 min`, `1 h 05`: from one time on the wall to another. */
export function spent(since: string, now: string): string {
  const minutes = Math.max(Math.round((Date.parse(now) - Date.parse(since)) / MINUTE_MS), 0);
  const rest = String(minutes % 60).padStart(2, "0");
  return minutes < 60 ? t("making.min", { minutes }) : `${Math.floor(minutes / 60)} h ${rest}`;
}
