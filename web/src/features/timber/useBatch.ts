import { useEffect, useRef, useState } from "react";

import { openLine } from "../../api/socket";
import type { Batch } from "../../api/types";
import { t } from "../../messages";

/** A rack of a batch: so many of it, at its own length or at another. */
export interface Part {
  rack: string;
  copies: number;
  length: string;
}

const WAIT_MS = 300;

/** Has racks cut together: the plan, how far it is, and an end to the search with what was found so far. */
export function useBatch(parts: Part[], saw: string) {
  const [batch, setBatch] = useState<Batch | null>(null);
  const [within, setWithin] = useState<string | null>(null);
  const line = useRef<WebSocket | null>(null);
  const asked = JSON.stringify({
    racks: parts.map(({ rack, copies, length }) => ({
      rack,
      copies,
      patch: length ? { row: { length } } : {},
    })),
    cutting: { saw },
  });
  const none = parts.length === 0;
  useEffect(() => {
    if (none) return;
    let done = false;
    const timer = setTimeout(() => {
      setWithin(t("timber.laying-the-sticks-out"));
      const socket = openLine("timber/batch", (news) => {
        if (news.within) return setWithin(news.within);
        done = true;
        setBatch(news);
        setWithin(null);
        socket.close();
      });
      line.current = socket;
      socket.onopen = () => socket.send(asked);
      socket.onclose = () => {
        if (!done) setWithin(t("timber.yardcliff-does-not-answer-still-running"));
      };
    }, WAIT_MS);
    return () => {
      done = true;
      clearTimeout(timer);
      line.current?.close();
    };
  }, [asked, none]);
  const stop = () => {
    if (line.current?.readyState === WebSocket.OPEN) line.current.send("stop");
  };
  return { asked, batch: none ? null : batch, within: none ? null : within, stop };
}
