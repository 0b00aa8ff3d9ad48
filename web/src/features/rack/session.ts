import { replaceEqualDeep } from "@tanstack/react-query";
import { createStore } from "zustand/vanilla";

import { api, OfflineError, ProblemError } from "../../api/client";
import { line } from "../../api/line";
import type { Design, Patch, Rack } from "../../api/types";
import type { Outcome } from "../../ui/Field";

const RETRY_MS = 2000;
const LOOK_MS = 4000;

export type Standing = "saved" | "saving" | "offline" | "stale";

export interface OpenSlip {
  key: string;
  kept: boolean;
}

/** What the page shows. What did not change from one state to the next keeps its identity. */
export interface Shown {
  rack: Rack;
  /** The stored design, or the one being tried. */
  design: Design;
  standing: Standing;
  /** What went wrong with a change that no field asked for. */
  trouble: string | null;
  /** Something is being dragged. */
  held: boolean;
  /** The workings that lie open. */
  slips: OpenSlip[];
}

/**
 * A rack under the user's hands. Changes are stored one after another, each from the version that the one before
 * made; while the server is away they wait. Previews go out one at a time, the newest wins.
 */
export class Session {
  readonly store;
  private writes: Promise<unknown> = Promise.resolve();
  private waiting = 0;
  private unsaved: Patch = {};
  private trying = false;
  private next: Patch | null | undefined;
  /** What is being tried; a change that is stored puts an end to it. */
  private tried: Patch | null = null;

  constructor(
    rack: Rack,
    private readonly onStored: (rack: Rack) => void,
  ) {
    this.store = createStore<Shown>(() => ({
      rack,
      design: rack.design,
      standing: "saved",
      trouble: null,
      held: false,
      slips: [],
    }));
  }

  /** The stored rack, whatever is being tried. */
  get rack(): Rack {
    return this.store.getState().rack;
  }

  /** Stores a change; answers with what could not be read, for the field that asked to show. */
  readonly change = (patch: Patch): Promise<Outcome> =>
    this.write((base) => api.change(this.rack.id, base, patch), patch);

  /** The same where no field stands: what goes wrong is said above the drawing. */
  readonly apply = (patch: Patch): void => void this.change(patch).then((trouble) => this.set({ trouble }));

  readonly undo = (): void => {
    if (this.rack.undo) void this.write((base) => api.undo(this.rack.id, base));
  };
  readonly redo = (): void => {
    if (this.rack.redo) void this.write((base) => api.redo(this.rack.id, base));
  };
  readonly rename = (name: string): Promise<Outcome> =>
    this.write((base) => api.rename(this.rack.id, base, name));

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

  /** Show a change without storing it; null goes back to the stored design. */
  readonly preview = (patch: Patch | null): void => {
    this.tried = patch;
    this.next = patch;
    if (!this.trying) void this.tryOn();
  };

  readonly takeNewer = async (): Promise<void> => {
    this.unsaved = {};
    this.settle(await api.rack(this.rack.id));
    this.showStored();
    this.set({ standing: "saved" });
  };

  readonly keepMine = async (): Promise<Rack> => {
    const { id, design } = this.rack;
    const copy = await api.copy(id, { brief: design.brief, patch: this.unsaved });
    this.unsaved = {};
    this.showStored();
    this.set({ standing: "saved" });
    return copy;
  };

  /** The rack is as it was, its wall or a neighbour is not: nothing of the user's is at stake, so it is just shown. */
  private async takeWall(): Promise<void> {
    const rack = await api.rack(this.rack.id);
    if (this.waiting > 0 || rack.version !== this.rack.version) return;
    this.settle(rack);
    this.showStored();
  }

  /** Another window may change the rack: look now and then, and tell before the user edits on. */
  watch(): () => void {
    const timer = setInterval(() => {
      if (document.hidden || this.waiting > 0) return;
      api.version(this.rack.id).then(
        ({ version, site }) => {
          if (this.waiting > 0) return;
          if (version > this.rack.version) this.set({ standing: "stale" });
          else if (site !== this.rack.site) void this.takeWall();
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
      await this.writes; // what is tried next is tried on what was stored last
      const wanted = this.next;
      this.next = undefined;
      if (!wanted) {
        if (wanted === null) this.showStored();
        continue;
      }
      try {
        const design = await line.solve(this.rack.id, this.rack.design.brief, wanted);
        if (this.tried) this.set({ design: replaceEqualDeep(this.store.getState().design, design) });
      } catch {
        /* The last good drawing stays; storing the change will say what is wrong. */
      }
    }
    this.trying = false;
  }

  /** Runs a write after those before it; waits out an absent server. */
  private write(send: (base: number) => Promise<Rack>, patch: Patch = {}): Promise<Outcome> {
    this.waiting += 1;
    this.tried = null;
    this.next = undefined;
    const job = this.writes.then(() => this.sendUntilAnswered(send, patch));
    this.writes = job.finally(() => (this.waiting -= 1));
    return job;
  }

  private async sendUntilAnswered(send: (base: number) => Promise<Rack>, patch: Patch): Promise<Outcome> {
    if (this.store.getState().standing !== "stale") this.set({ standing: "saving" });
    for (;;) {
      try {
        this.settle(await send(this.rack.version));
        if (this.waiting === 1) this.showStored();
        this.set({ standing: "saved", trouble: null });
        return null;
      } catch (error) {
        if (error instanceof OfflineError) {
          this.set({ standing: "offline" });
          await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
          continue;
        }
        if (error instanceof ProblemError && error.problem.type.endsWith("/stale")) {
          this.unsaved = patch;
          this.set({ standing: "stale" });
          return null;
        }
        this.showStored();
        this.set({ standing: "saved" });
        return error instanceof ProblemError ? readable(error) : String(error);
      }
    }
  }

  private settle(rack: Rack): void {
    const next = replaceEqualDeep(this.rack, rack);
    this.set({ rack: next });
    this.onStored(next);
  }

  private showStored(): void {
    if (!this.tried) this.set({ design: replaceEqualDeep(this.store.getState().design, this.rack.design) });
  }

  private set(next: Partial<Shown>): void {
    this.store.setState(next);
  }
}

/** The messages of a problem without their paths: the field they stand at says which it is. */
function readable(error: ProblemError): string {
  const { errors, detail } = error.problem;
  return errors?.length ? errors.map((e) => e.message).join(" ") : detail;
}
