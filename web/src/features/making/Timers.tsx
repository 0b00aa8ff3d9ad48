import { useEffect, useState } from "react";

import type { Making } from "../../api/types";
import { Button } from "../../ui/Button";
import { t } from "../../messages";

const SECOND_MS = 1000;

/** `11 h 58 min`, `4:59` in the last hour. */
export function remaining(seconds: number): string {
  if (seconds <= 0) return "over";
  if (seconds >= 3600)
    return t("making.h-min", {
      floor: Math.floor(seconds / 3600),
      floor2: Math.floor((seconds % 3600) / 60),
    });
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
}

interface Props {
  making: Making;
  onTick: (item: string, done: boolean) => void;
}

/** What glue and coats wait for, from when their task was ticked off: nothing runs that could be lost. */
export function Timers({ making, onTick }: Props) {
  const [now, setNow] = useState<number | null>(null);
  useEffect(() => {
    const tell = () => setNow(Date.now());
    tell();
    const clock = setInterval(tell, SECOND_MS);
    return () => clearInterval(clock);
  }, []);
  const waiting = making.tasks.filter((task) => task.done !== null && task.wait > 0 && !task.waited);
  if (!waiting.length || now === null) return null;
  return (
    <ul aria-label={t("making.waits")} className="border-b border-rule bg-note-bg px-3">
      {waiting.map((task) => {
        const left = Math.ceil((new Date(task.done ?? "").getTime() + task.wait * 60_000 - now) / 1000);
        return (
          <li key={task.key} className="flex items-center gap-3 border-b border-rule py-1 last:border-b-0">
            <span className="min-w-0 flex-1 truncate">{task.title}</span>
            <span className={`hand font-semibold ${left <= 0 ? "text-mark" : ""}`} role="timer">
              {remaining(left)}
            </span>
            <Button
              look="bare"
              aria-label={
                left <= 0
                  ? t("making.seen", { title: task.title })
                  : t("making.do-not-wait-for", { title: task.title })
              }
              onClick={() => onTick(`${task.key}|wait`, true)}
            >
              {left <= 0 ? t("making.seen-2") : "×"}
            </Button>
          </li>
        );
      })}
    </ul>
  );
}
