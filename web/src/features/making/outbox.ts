import { useSyncExternalStore } from "react";

import { api, OfflineError, ProblemError, saidOf, wallTime } from "../../api/client";
import { newKey } from "../../api/key";
import type { Tick } from "../../api/types";
import { UnsentStore } from "../../api/unsent";
import { WriteQueue } from "../../api/writes";

/** Something that the server would not take, and why; it stays until its user lets it go. */
export interface Refused {
  said: Tick;
  why: string;
}

interface Left {
  writes: Tick[];
  refused: Refused[];
}

export interface Held {
  /** What the server does not have yet, the oldest first. */
  waiting: Tick[];
  refused: Refused[];
  /** Why it waits: the link is down, the key is another, the server is in trouble. */
  trouble: "" | "away" | "key" | "server";
}

const sheetOf = (rack: string) => `bench-${rack}`;

/**
 * What is ticked off at the bench, kept in the browser until the server has it: the link may drop, the page may be closed,
 * the key may be another. Each saying has an id of its own, so that what is sent twice counts once. Nothing is thrown away:
 * what is refused is shown with the reason.
 */
export class Outbox {
  private now: Held = { waiting: [], refused: [], trouble: "" };
  private onSent: () => Promise<unknown> = () => Promise.resolve();
  private readonly listeners = new Set<() => void>();
  private readonly queue: WriteQueue<Tick, void>;

  constructor(
    private readonly rack: string,
    private readonly unsent: Pick<UnsentStore<Left>, "keep" | "left"> = new UnsentStore<Left>(sheetOf(rack)),
  ) {
    this.queue = new WriteQueue(sheetOf(rack), this.send, {
      later: (error) => troubleOf(error) !== "",
      onChange: (error) => this.put({ waiting: this.queue.waiting, trouble: error ? troubleOf(error) : "" }),
    });
    void this.resume();
  }

  /** `onSent` has the page see what was sent, before that is no longer laid over what is seen. */
  readonly seenBy = (onSent: () => Promise<unknown>): void => {
    this.onSent = onSent;
  };

  /** The same object until it changes. */
  get held(): Held {
    return this.now;
  }

  /** Answers once the server has it, or would not take it. */
  say(item: string, done: boolean): Promise<void> {
    return this.take({ id: newKey(), item, at: done ? wallTime() : null });
  }

  letGo({ said }: Refused): void {
    this.put({ refused: this.now.refused.filter((one) => one.said !== said) });
  }

  readonly watch = (listener: () => void) => {
    this.listeners.add(listener);
    return () => {
      this.listeners.delete(listener);
    };
  };

  private readonly send = async (said: Tick): Promise<void> => {
    await api.say(this.rack, [said]);
    await this.onSent().catch(() => undefined);
  };

  private async take(said: Tick): Promise<void> {
    await this.queue
      .put(said)
      .catch((error: unknown) => this.put({ refused: [...this.now.refused, { said, why: saidOf(error) }] }));
  }

  /** What closed windows of this bench left. */
  private async resume(): Promise<void> {
    for (const { writes, refused = [] } of await this.unsent.left()) {
      this.put({ refused: [...this.now.refused, ...refused] });
      for (const said of writes) void this.take(said);
    }
  }

  private put(change: Partial<Held>) {
    this.now = { ...this.now, ...change };
    const { waiting, refused } = this.now;
    this.unsent.keep(waiting.length || refused.length ? { writes: waiting, refused } : null);
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

const boxes = new Map<string, Outbox>();

/** The outbox of a rack, one for the page; and what it holds. */
export function useOutbox(rack: string): [Outbox, Held] {
  const box = boxes.get(rack) ?? new Outbox(rack);
  boxes.set(rack, box);
  return [box, useSyncExternalStore(box.watch, () => box.held)];
}
