import { createStore } from "zustand/vanilla";

import { api, ProblemError, reasonOf, saidOf } from "../../api/client";
import { newKey } from "../../api/key";
import { merged, valueAt } from "../../api/patch";
import type { Patch, Wall } from "../../api/types";
import { UnsentStore } from "../../api/unsent";
import { WriteQueue } from "../../api/writes";
import type { Outcome } from "../../ui/Field";
import { t } from "../../messages";

const AWAY = t("walls.yardcliff-does-not-answer-your-change");
const STALE = t("walls.this-was-changed-in-another-window");

/** A change of a survey, or how to make it from the survey as it is once those before it are stored. */
export type Change = Patch | ((stored: Wall) => Patch);

type Asked =
  | { what: "change"; patch: Patch }
  | { what: "rename"; name: string }
  | { what: "undo" | "redo"; steps: number };
type Write = Asked & { key: string };

/** What a window has that the server has not, and the survey that it was made from. */
interface Left extends Seen {
  writes: Write[];
}
type Seen = Pick<Wall, "version" | "name"> & Pick<Wall["design"], "survey">;

interface Job {
  write: Write;
  make?: (stored: Wall) => Patch;
  /** What it was made from, where that was another window. */
  from?: Seen;
}

/** Where the wall is that the page shows. */
interface Shown {
  /** It is there once anything can be written to it. */
  get: () => Wall | undefined;
  put: (stored: Wall) => void;
}

const seen = ({ version, name, design: { survey } }: Wall): Seen => ({ version, name, survey });

/**
 * What is written to a survey: each change from the version that the one before made; while the server is away they wait,
 * also over a reload. What another window changed meanwhile is taken in: only where both changed the same is it asked again.
 */
export class SurveyWrites {
  readonly store = createStore<{ trouble: string | null; away: boolean }>(() => ({
    trouble: null,
    away: false,
  }));
  private readonly queue: WriteQueue<Job, Outcome>;

  constructor(
    private readonly id: string,
    private readonly shown: Shown,
    private readonly unsent: Pick<UnsentStore<Left>, "keep" | "left"> = new UnsentStore<Left>(`wall-${id}`),
  ) {
    this.queue = new WriteQueue(`wall-${id}`, this.make, {
      onChange: (trouble) => {
        this.keep();
        if (trouble) this.store.setState({ trouble: AWAY, away: true });
      },
    });
  }

  /** Stores a change; answers with what could not be read, for the field that asked to show: it keeps what was typed. */
  readonly change = async (change: Change): Promise<Outcome> => {
    const outcome = await this.put({ what: "change", patch: {} }, change);
    return outcome === STALE ? t("walls.press-enter-put-this-into", { STALE }) : outcome;
  };

  /** The same where no field stands: what goes wrong is said above the drawing. */
  readonly apply = (change: Change): void => this.tell(this.put({ what: "change", patch: {} }, change));

  readonly rename = (name: string): Promise<Outcome> => this.put({ what: "rename", name });
  readonly undo = (steps = 1): void => this.tell(this.put({ what: "undo", steps }));
  readonly redo = (steps = 1): void => this.tell(this.put({ what: "redo", steps }));
  readonly dismiss = (): void => this.store.setState({ trouble: null });

  /** What a window that was closed meanwhile left of this wall is sent. */
  async resume(): Promise<void> {
    for (const left of await this.unsent.left())
      left.writes.forEach((write, index) => {
        const made = write.what === "change" ? { make: () => write.patch } : {};
        // Only the first is known to be made from that survey; the others follow it.
        this.tell(this.enqueue({ write, ...made, ...(index === 0 && { from: left }) }));
      });
  }

  private put(asked: Asked, change?: Change): Promise<Outcome> {
    const make = change instanceof Function ? change : change && (() => change);
    return this.enqueue({ write: { ...asked, key: newKey() }, ...(make && { make }) });
  }

  private enqueue(job: Job): Promise<Outcome> {
    return this.queue.put(job).catch(reasonOf);
  }

  /** Makes the oldest that waits. Rejects with `OfflineError`: it is made again then. */
  private readonly make = async (job: Job): Promise<Outcome> => {
    const stored = this.shown.get();
    if (!stored) throw new Error(t("walls.wall-not-here-yet"));
    const { write, make, from = seen(stored) } = job;
    const patch = make?.(stored) ?? {};
    try {
      this.shown.put(await this.send(write, from.version, patch));
      this.answered();
      return null;
    } catch (error) {
      if (!(error instanceof ProblemError)) throw error;
      this.answered();
      const { type } = error.problem;
      const lost = type.endsWith("/already-written"); // its answer was: what came of it is looked at
      if (!lost && !type.endsWith("/stale")) return saidOf(error);
      const newest = await api.wall(this.id);
      this.shown.put(newest);
      if (lost) return null;
      // One that is refused though nothing is newer would be refused for ever.
      if (newest.version === from.version || !apart(write, patch, from, seen(newest))) return STALE;
      return this.make({ write, ...(make && { make }) });
    }
  };

  private send(write: Write, base: number, patch: Patch): Promise<Wall> {
    if (write.what === "change") return api.changeWall(this.id, base, patch, write.key);
    if (write.what === "rename") return api.renameWall(this.id, base, write.name, write.key);
    return write.what === "undo"
      ? api.undoWall(this.id, base, write.key, write.steps)
      : api.redoWall(this.id, base, write.key, write.steps);
  }

  private answered(): void {
    this.store.setState({ trouble: null, away: false });
  }

  /** Keeps what waits where a reload finds it. */
  private keep(): void {
    const stored = this.shown.get();
    const { waiting } = this.queue;
    if (!stored || !waiting.length) return this.unsent.keep(null);
    let pending = stored;
    const writes = waiting.map(({ write, make }) => {
      if (write.what !== "change") return write;
      const patch = make?.(pending) ?? {};
      const { design } = pending;
      pending = { ...pending, design: { ...design, survey: merged(design.survey, patch) } };
      return { ...write, patch };
    });
    // What a closed window left is still made from what that one saw.
    const { version, name, survey } = waiting[0]?.from ?? seen(stored);
    this.unsent.keep({ version, name, survey, writes });
  }

  private tell(outcome: Promise<Outcome>): void {
    void outcome.then((trouble) => this.store.setState({ trouble }));
  }
}

/** Whether a write and what another window has made of the wall are of different things. */
function apart(write: Write, patch: Patch, from: Seen, newest: Seen): boolean {
  if (write.what === "change")
    return Object.keys(patch).every((key) => same(valueAt(from.survey, key), valueAt(newest.survey, key)));
  return write.what === "rename" && from.name === newest.name;
}

const same = (one: unknown, other: unknown) => JSON.stringify(one) === JSON.stringify(other);
