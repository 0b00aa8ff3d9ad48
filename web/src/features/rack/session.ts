import { replaceEqualDeep } from "@tanstack/react-query";
import { createStore } from "zustand/vanilla";

import { api, OfflineError, ProblemError, reasonOf, saidOf, wallTime } from "../../api/client";
import { newKey } from "../../api/key";
import { line } from "../../api/line";
import type { UnsentStore } from "../../api/unsent";
import { WriteQueue } from "../../api/writes";
import type { Brief, Design, Patch, Rack } from "../../api/types";
import type { Outcome } from "../../ui/Field";
import type { Asked, Change, Job, Unsent, Waiting } from "./job";
import { pendingOn } from "./patches";
import type { Hand, Shown } from "./state";
import { t } from "../../messages";

const LOOK_MS = 1500;
/** How often the row follows what is in hand: to draw it more often would make what is in hand late. */
const FOLLOW_MS = 40;

const CHANGED = t("rack.this-rack-was-changed-in-another-2");

/**
 * A rack under the user's hands. Changes are stored one after another, each made from what the one before led to; while
 * the server is away they wait, also over a reload. Once another window has changed the rack, this one goes on from its
 * own state and keeps all of it. Previews go out one at a time, the newest wins.
 */
export class Session {
  readonly store;
  private readonly queue: WriteQueue<Job, Outcome>;
  private running: Promise<unknown> = Promise.resolve();
  /** What this window's user has made of the rack that is another by now. */
  private mine: Design | null = null;
  private trying = false;
  private next: Patch | null | undefined;
  /** What is being tried; a change that is stored puts an end to it. */
  private tried: Patch | null = null;

  constructor(
    rack: Rack,
    private readonly onStored: (rack: Rack) => void,
    private readonly unsent: Pick<UnsentStore<Waiting>, "keep" | "left">,
  ) {
    this.queue = new WriteQueue(`rack-${rack.id}`, this.make, {
      onChange: (trouble) => {
        if (trouble && this.store.getState().standing !== "stale") this.set({ standing: "offline" });
        this.keep();
      },
    });
    this.store = createStore<Shown>(() => ({
      rack,
      design: rack.design,
      standing: "saved",
      facts: null,
      waiting: 0,
      trouble: null,
      held: false,
      hand: null,
      slips: [],
    }));
  }

  /** The stored rack, whatever is being tried. */
  get rack(): Rack {
    return this.store.getState().rack;
  }

  /** Whether leaving the page would leave something behind. */
  get unsaved(): boolean {
    const { standing } = this.store.getState();
    return (standing === "offline" && this.queue.waiting.length > 0) || this.mine !== null;
  }

  /** Stores a change; answers with what could not be read, for the field that asked to show. */
  readonly change = (change: Change): Promise<Outcome> =>
    this.put({ what: "change", patch: {} }, change instanceof Function ? change : () => change);

  /** The same where no field stands: what goes wrong is said above the drawing. */
  readonly apply = (change: Change): void => this.tell(this.change(change));

  /** A press of a key or a stepper: `by` so many of `of`. Those that come before it is sent are counted in. */
  readonly press = (of: string, by: number, make: (design: Design, by: number) => Patch): void => {
    const last = this.queue.unbegun?.press;
    if (last?.of === of) {
      last.by += by;
      this.keep();
      return;
    }
    const press = { of, by };
    const made = (design: Design) => (press.by ? make(design, press.by) : null);
    this.tell(this.put({ what: "change", patch: {} }, made, press));
  };

  readonly undo = (steps = 1): void => {
    if (this.rack.undo) this.tell(this.put({ what: "undo", steps }));
  };
  readonly redo = (steps = 1): void => {
    if (this.rack.redo) this.tell(this.put({ what: "redo", steps }));
  };
  readonly rename = (name: string): Promise<Outcome> => this.put({ what: "rename", name });

  /** Takes a way out of what is off at the bench: what it changes and what it is to be done comes with it. */
  readonly mend = (of: string, way: string): Promise<Outcome> =>
    this.put({ what: "mend", of, way, at: wallTime() });

  readonly hold = (held: boolean): void => this.set({ held });
  readonly dismiss = (): void => this.set({ trouble: null });

  /** Opens the working of a figure; one that is not kept makes room for it. */
  readonly openFigure = (key: string): void => {
    const { slips } = this.store.getState();
    if (!slips.some((slip) => slip.key === key))
      this.set({ slips: [...slips.filter((slip) => slip.kept), { key, kept: false }] });
  };
  readonly keepSlip = (key: string): void =>
    this.set({
      slips: this.store.getState().slips.map((slip) => (slip.key === key ? { key, kept: !slip.kept } : slip)),
    });
  readonly closeSlip = (key = this.store.getState().slips.at(-1)?.key): void =>
    this.set({ slips: this.store.getState().slips.filter((slip) => slip.key !== key) });

  /** Show a change without storing it, the holder in `hand` at once; null goes back to the stored design. */
  readonly preview = (patch: Patch | null, hand: Hand | null = null): void => {
    this.tried = patch;
    this.next = patch;
    this.set({ hand });
    if (!this.trying) void this.tryOn();
  };

  readonly takeNewer = async (): Promise<void> => {
    this.settle(await api.rack(this.rack.id));
    this.letGo();
  };

  readonly keepMine = async (): Promise<Rack> => {
    const { id, design } = this.rack;
    const copy = await api.copy(id, { brief: (this.mine ?? design).brief });
    this.letGo();
    return copy;
  };

  /** What a window that was closed meanwhile left of this rack is sent, or shown where the rack is another by now. */
  async resume(): Promise<void> {
    for (const left of await this.unsent.left()) {
      if (left.stale) await this.goOn(left.brief);
      left.writes.forEach((write, index) => {
        const made = write.what === "change" ? { make: () => write.patch } : {};
        // Only the first is known to be made from that version; the others follow it.
        this.tell(this.enqueue({ write, ...made, ...(index === 0 && { from: left }) }));
      });
    }
  }

  /** The rack is as it was, its wall or a neighbour is not: nothing of the user's is at stake, so it is just shown. */
  private async takeNews(): Promise<void> {
    const rack = await api.rack(this.rack.id);
    if (this.queue.waiting.length || rack.version !== this.rack.version) return;
    this.settle(rack);
    this.showStored();
  }

  /** Another window may change the rack: look now and then, and tell before the user edits on. */
  watch(): () => void {
    const timer = setInterval(() => {
      if (document.hidden || this.queue.waiting.length || this.store.getState().standing === "stale") return;
      api.version(this.rack.id).then(
        ({ version, site, facts }) => {
          if (this.queue.waiting.length) return;
          const known = this.store.getState().facts;
          if (facts !== known) this.set({ facts });
          if (version > this.rack.version) this.set({ standing: "stale" });
          else if (site !== this.rack.site || (known !== null && facts !== known)) void this.takeNews();
          else if (this.store.getState().standing === "offline") this.set({ standing: "saved" });
        },
        (error) => error instanceof OfflineError && this.set({ standing: "offline" }),
      );
    }, LOOK_MS);
    return () => clearInterval(timer);
  }

  private async tryOn(): Promise<void> {
    this.trying = true;
    while (this.next !== undefined) {
      await this.running; // what is tried next is tried on what was stored last
      const wanted = this.next;
      this.next = undefined;
      if (!wanted) {
        if (wanted === null) this.showStored();
        continue;
      }
      const pause = this.store.getState().hand && passed(FOLLOW_MS);
      try {
        const design = await line.solve(this.rack.id, (this.mine ?? this.rack.design).brief, wanted);
        if (this.tried) this.show(design, this.handIn(design));
      } catch {
        /* The last good drawing stays; storing the change will say what is wrong. */
      }
      await pause;
    }
    this.trying = false;
  }

  /** What is in hand stands where its own answer says, and has gone on meanwhile where there is a next. */
  private handIn({ marks }: Design): Hand | null {
    const { hand } = this.store.getState();
    if (!hand || this.next !== undefined) return hand;
    return { ...hand, x: marks.x[hand.mark] ?? hand.x };
  }

  private tell(outcome: Promise<Outcome>): void {
    void outcome.then((trouble) => this.set({ trouble }));
  }

  private put(write: Asked, make?: Job["make"], press?: Job["press"]): Promise<Outcome> {
    this.tried = null;
    this.next = undefined;
    return this.enqueue({
      write: { ...write, key: newKey() },
      ...(make && { make }),
      ...(press && { press }),
    });
  }

  private enqueue(job: Job): Promise<Outcome> {
    const done = this.queue.put(job).catch((error: unknown) => this.stored(String(error))); // the next one still goes
    this.running = done;
    return done;
  }

  /** Makes the oldest that waits. Rejects with `OfflineError`: it is made again then. */
  private readonly make = async (job: Job): Promise<Outcome> => {
    const { standing } = this.store.getState();
    if (standing === "stale") return this.makeMine(job);
    if (standing === "saved") this.set({ standing: "saving" });
    const patch = job.make?.(this.rack.design) ?? null;
    if (job.make && !patch) return this.stored(null);
    try {
      const base = job.from?.version ?? this.rack.version;
      this.settle(await this.send(job.write, base, patch ?? {}));
    } catch (error) {
      if (!(error instanceof ProblemError)) throw error;
      const { type } = error.problem;
      if (type.endsWith("/stale")) {
        await this.goOn(job.from?.brief ?? this.rack.design.brief);
        return this.makeMine(job); // it is made of the window's own state then
      }
      if (!type.endsWith("/already-written")) return this.stored(saidOf(error));
      this.settle(await api.rack(this.rack.id)); // its answer was lost: what came of it is looked at
    }
    return this.stored(null);
  };

  private send(write: Unsent, base: number, patch: Patch): Promise<Rack> {
    const { id } = this.rack;
    if (write.what === "change") return api.change(id, base, patch, write.key);
    if (write.what === "mend") return api.takeWay(id, base, write, write.key);
    if (write.what === "rename") return api.rename(id, base, write.name, write.key);
    return api[write.what](id, base, write.key, write.steps);
  }

  private stored(outcome: Outcome): Outcome {
    if (this.queue.waiting.length === 1 || outcome) this.showStored();
    this.set({ standing: "saved", ...(outcome === null && { trouble: null }) });
    return outcome;
  }

  /** In a stale window a change is made of the window's own state, and kept with those before it. */
  private async makeMine(job: Job): Promise<Outcome> {
    if (job.write.what !== "change") return CHANGED;
    const own = this.mine ?? this.rack.design;
    try {
      this.mine = await line.solve(this.rack.id, own.brief, job.make?.(own) ?? {});
    } catch (error) {
      if (error instanceof ProblemError) return saidOf(error);
      throw error;
    }
    this.show(this.mine);
    return null;
  }

  /** The rack is another by now: from here on this window has its own, which begins with `brief`. */
  private async goOn(brief: Brief): Promise<void> {
    this.set({ standing: "stale" });
    if (brief === this.rack.design.brief) return;
    if (this.mine) {
      // Of two windows one can be shown; what the other had becomes a rack of its own.
      await api
        .copy(this.rack.id, { brief })
        .catch((error: unknown) => this.set({ trouble: reasonOf(error) }));
      return;
    }
    this.mine = await line.solve(this.rack.id, brief, {}).catch(() => null);
    if (this.mine) this.show(this.mine);
    this.keep();
  }

  /** The window has nothing of its own any more. */
  private letGo(): void {
    this.mine = null;
    this.set({ standing: "saved" });
    this.show(this.rack.design);
    this.keep();
  }

  /** Keeps what waits where a reload finds it. */
  private keep(): void {
    const stale = this.mine !== null;
    const design = this.mine ?? this.rack.design;
    const made: Patch[] = [];
    const { waiting } = this.queue;
    const writes = waiting.map(({ write, make }) => {
      if (write.what !== "change") return write;
      const patch = make?.(pendingOn(design, made)) ?? {};
      made.push(patch);
      return { ...write, patch };
    });
    const { version } = this.rack;
    this.unsent.keep(stale || writes.length ? { version, brief: design.brief, writes, stale } : null);
    this.set({ waiting: stale ? Math.max(writes.length, 1) : writes.length });
  }

  private settle(rack: Rack): void {
    const next = replaceEqualDeep(this.rack, rack);
    this.set({ rack: next });
    this.onStored(next);
  }

  private showStored(): void {
    if (!this.tried) this.show(this.mine ?? this.rack.design);
  }

  private show(design: Design, hand: Hand | null = null): void {
    this.set({ design: replaceEqualDeep(this.store.getState().design, design), hand });
  }

  private set(next: Partial<Shown>): void {
    this.store.setState(next);
  }
}

const passed = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
