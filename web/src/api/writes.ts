import type { Mutation } from "@tanstack/react-query";

import { OfflineError } from "./client";
import { queries } from "./queries";

const RETRY_MS = 2000;

interface Options {
  /** Whether what went wrong may go well later: the write is made again then, and those after it wait. */
  later?: (error: unknown) => boolean;
  /** Told whenever a write is put in, goes wrong for now (`trouble`), or is done with. */
  onChange: (trouble: unknown) => void;
}

/**
 * What is written to one sheet - a rack, a wall, a bench - one after another, in the order that it was done. While the
 * server is away what was put in waits, and is made again.
 */
export class WriteQueue<Write, Answer> {
  private readonly pending: { write: Write; mutation: Mutation<Answer, Error, Write> }[] = [];

  constructor(
    private readonly sheet: string,
    private readonly make: (write: Write) => Promise<Answer>,
    private readonly options: Options,
  ) {}

  /** Answers once it is made; rejects for what will not go well later either. */
  async put(write: Write): Promise<Answer> {
    const cache = queries.getMutationCache();
    const mutation = cache.build<Answer, Error, Write, unknown>(queries, {
      scope: { id: this.sheet },
      mutationFn: this.make,
      networkMode: "always",
      retry: (_, error) => this.again(error),
      retryDelay: RETRY_MS,
      gcTime: Infinity, // it is taken out here: a timer of none would go round and round while it waits
    });
    const put = { write, mutation };
    this.pending.push(put);
    const made = mutation.execute(write);
    this.options.onChange(null);
    try {
      return await made;
    } finally {
      cache.remove(mutation);
      this.pending.splice(this.pending.indexOf(put), 1);
      this.options.onChange(null);
    }
  }

  /** What is not made yet, the oldest first. */
  get waiting(): Write[] {
    return this.pending.map(({ write }) => write);
  }

  /** The last one, if it waits for others and was not begun: it may still become another. */
  get unbegun(): Write | null {
    const last = this.pending.at(-1);
    const state = last?.mutation.state;
    return last && state?.isPaused && !state.failureCount ? last.write : null;
  }

  private again(error: Error): boolean {
    const { later = (error) => error instanceof OfflineError, onChange } = this.options;
    if (!later(error)) return false;
    onChange(error);
    return true;
  }
}
