import { useSyncExternalStore } from "react";

import { api, OfflineError, wallTime } from "../../api/client";
import type { Said } from "../../api/types";

const RETRY_MS = 4000;
const NONE: Said[] = [];
const KEY = (rack: string) => `yardcliff.bench.${rack}`;

/**
 * What is ticked off at the bench, kept in the browser until the server has it: the link may drop, the page may be closed. Each
 * saying has an id of its own, so that what is sent twice counts once.
 */
export class Outbox {
  private waiting: Said[];
  private sending = false;
  private readonly listeners = new Set<() => void>();

  constructor(
    private readonly rack: string,
    private readonly send: (rack: string, said: Said[]) => Promise<unknown> = api.say,
    private readonly storage: Pick<Storage, "getItem" | "setItem"> = localStorage,
  ) {
    this.waiting = read(storage.getItem(KEY(rack)));
    if (this.waiting.length) void this.flush();
  }

  /** What the server does not have yet, the oldest first; the same array until it changes. */
  get unsent(): Said[] {
    return this.waiting;
  }

  say(item: string, done: boolean) {
    this.put([...this.waiting, { id: crypto.randomUUID(), item, at: done ? wallTime() : null }]);
    return this.flush();
  }

  /** Sends what waits, in its order; what was said meanwhile goes with the next. Answers whether all is sent. */
  async flush(): Promise<boolean> {
    if (this.sending || !this.waiting.length) return !this.waiting.length;
    this.sending = true;
    const batch = this.waiting;
    try {
      await this.send(this.rack, batch);
      this.put(this.waiting.filter((one) => !batch.includes(one)));
    } catch (error) {
      // A refusal does not get better by repeating: a rack that was thrown away has no bench.
      if (!(error instanceof OfflineError)) this.put(this.waiting.filter((one) => !batch.includes(one)));
      else setTimeout(() => void this.flush(), RETRY_MS);
      return false;
    } finally {
      this.sending = false;
    }
    return this.flush();
  }

  readonly watch = (listener: () => void) => {
    this.listeners.add(listener);
    return () => {
      this.listeners.delete(listener);
    };
  };

  private put(waiting: Said[]) {
    this.waiting = waiting.length ? waiting : NONE;
    this.storage.setItem(KEY(this.rack), JSON.stringify(this.waiting));
    for (const listener of this.listeners) listener();
  }
}

function read(text: string | null): Said[] {
  try {
    const found: unknown = JSON.parse(text ?? "[]");
    return Array.isArray(found) && found.length ? (found as Said[]) : NONE;
  } catch {
    return NONE;
  }
}

const boxes = new Map<string, Outbox>();

/** The outbox of a rack, one for the page; and what waits in it. */
export function useOutbox(rack: string): [Outbox, Said[]] {
  const box = boxes.get(rack) ?? new Outbox(rack);
  boxes.set(rack, box);
  return [box, useSyncExternalStore(box.watch, () => box.unsent)];
}
