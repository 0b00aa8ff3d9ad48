import { useSyncExternalStore } from "react";

import { api, OfflineError, ProblemError, saidOf, wallTime } from "../../api/client";
import { newKey } from "../../api/key";
import type { Tick } from "../../api/types";

const RETRY_MS = 4000;
const KEY = (rack: string) => `yardcliff.bench.${rack}`;

/** Something that the server would not take, and why; it stays until its user lets it go. */
export interface Refused {
  said: Tick;
  why: string;
}

export interface Held {
  /** What the server does not have yet, the oldest first. */
  waiting: Tick[];
  refused: Refused[];
  /** Why it waits: the link is down, the key is another, the server is in trouble. */
  trouble: "" | "away" | "key" | "server";
}

const NOTHING: Held = { waiting: [], refused: [], trouble: "" };

/**
 * What is ticked off at the bench, kept in the browser until the server has it: the link may drop, the page may be closed,
 * the key may be another. Each saying has an id of its own, so that what is sent twice counts once. Nothing is thrown away:
 * what is refused is shown with the reason.
 */
export class Outbox {
  private now: Held;
  private sending = false;
  private onSent: () => Promise<unknown> = () => Promise.resolve();
  private readonly listeners = new Set<() => void>();

  constructor(
    private readonly rack: string,
    private readonly send: (rack: string, said: Tick[]) => Promise<unknown> = api.say,
    private readonly storage: Pick<Storage, "getItem" | "setItem"> = localStorage,
  ) {
    this.now = read(storage.getItem(KEY(rack)));
    if (this.now.waiting.length) void this.flush();
  }

  /** `onSent` has the page see what was sent, before that is no longer laid over what is seen. */
  readonly seenBy = (onSent: () => Promise<unknown>): void => {
    this.onSent = onSent;
  };

  /** The same object until it changes. */
  get held(): Held {
    return this.now;
  }

  say(item: string, done: boolean) {
    this.put({ waiting: [...this.now.waiting, { id: newKey(), item, at: done ? wallTime() : null }] });
    return this.flush();
  }

  letGo({ said }: Refused): void {
    this.put({ refused: this.now.refused.filter((one) => one.said !== said) });
  }

  /** Sends what waits, in its order; what was said meanwhile goes with the next. Answers whether all is sent. */
  async flush(): Promise<boolean> {
    if (this.sending || !this.now.waiting.length) return !this.now.waiting.length;
    this.sending = true;
    const batch = this.now.waiting;
    try {
      await this.send(this.rack, batch);
      await this.onSent().catch(() => undefined);
      this.sent(batch);
    } catch (error) {
      const trouble = troubleOf(error);
      if (!trouble) {
        await this.oneByOne(batch);
      } else {
        this.put({ trouble });
        setTimeout(() => void this.flush(), RETRY_MS);
        return false;
      }
    } finally {
      this.sending = false;
    }
    return this.flush();
  }

  /** One of a batch was refused: which one is told, the others are taken. */
  private async oneByOne(batch: Tick[]): Promise<void> {
    for (const said of batch)
      try {
        await this.send(this.rack, [said]);
        this.sent([said]);
      } catch (error) {
        if (troubleOf(error)) return; // it waits on, as it did
        this.sent([said], [{ said, why: saidOf(error) }]);
      }
  }

  readonly watch = (listener: () => void) => {
    this.listeners.add(listener);
    return () => {
      this.listeners.delete(listener);
    };
  };

  private sent(batch: Tick[], refused: Refused[] = []) {
    this.put({
      waiting: this.now.waiting.filter((one) => !batch.includes(one)),
      refused: [...this.now.refused, ...refused],
      trouble: "",
    });
  }

  private put(change: Partial<Held>) {
    this.now = { ...this.now, ...change };
    const { waiting, refused } = this.now;
    try {
      this.storage.setItem(KEY(this.rack), JSON.stringify({ waiting, refused }));
    } catch {
      /* The browser keeps nothing, or is full: what waits lives as long as the page. */
    }
    for (const listener of this.listeners) listener();
  }
}

/** Why what was said may be taken later; nothing where it never will be: that does not get better by repeating. */
function troubleOf(error: unknown): Held["trouble"] {
  if (error instanceof OfflineError) return "away";
  if (!(error instanceof ProblemError)) return "server";
  const { status } = error.problem;
  return status === 401 ? "key" : status >= 500 || status === 429 ? "server" : "";
}

function read(text: string | null): Held {
  try {
    const found = JSON.parse(text ?? "{}") as Tick[] | Pick<Held, "waiting" | "refused">;
    // Before there were refusals it was a list of what waits.
    if (Array.isArray(found)) return { ...NOTHING, waiting: found };
    return { ...NOTHING, waiting: found.waiting ?? [], refused: found.refused ?? [] };
  } catch {
    return NOTHING;
  }
}

const boxes = new Map<string, Outbox>();

/** The outbox of a rack, one for the page; and what it holds. */
export function useOutbox(rack: string): [Outbox, Held] {
  const box = boxes.get(rack) ?? new Outbox(rack);
  boxes.set(rack, box);
  return [box, useSyncExternalStore(box.watch, () => box.held)];
}
