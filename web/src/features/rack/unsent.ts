import { newKey } from "../../api/key";
import type { Design, Patch } from "../../api/types";

/** A write that was not answered yet. Its `key` makes it the same write whenever it is sent again. */
export type Unsent = { key: string } & (
  | { what: "change"; patch: Patch }
  | { what: "rename"; name: string }
  | { what: "undo" | "redo" }
  | { what: "mend"; of: string; way: string; at: string }
);

/** What a window has that the server has not: writes in their order, made from a version; or, stale, a brief of its own. */
export interface Waiting {
  version: number;
  brief: Design["brief"];
  writes: Unsent[];
  stale: boolean;
}

type Kept = Pick<Storage, "getItem" | "setItem" | "removeItem" | "key" | "length">;

const PREFIX = "yardcliff.unsent.";
const ofRack = (id: string) => `${PREFIX}${id}.`;

/**
 * What waits, kept in the browser until it is answered: the server may be away, the page may be closed. Each window
 * keeps its own; what a closed one left is taken over by the next that opens the rack.
 */
export class UnsentStore {
  private readonly name: string;

  constructor(
    private readonly rack: string,
    private readonly storage: Kept = localStorage,
    private readonly locks: Pick<LockManager, "request"> | undefined = navigator.locks,
  ) {
    this.name = ofRack(rack) + newKey();
    // Held as long as the window lives: what has no holder was left.
    void locks?.request(this.name, () => new Promise<never>(() => undefined));
  }

  keep(waiting: Waiting | null): void {
    try {
      if (waiting && (waiting.writes.length || waiting.stale))
        this.storage.setItem(this.name, JSON.stringify(waiting));
      else this.storage.removeItem(this.name);
    } catch {
      /* The browser keeps nothing, or is full: what waits lives as long as the page. */
    }
  }

  /** What closed windows left of this rack; it is this one's now. */
  async left(): Promise<Waiting[]> {
    const names = namesOf(this.storage, ofRack(this.rack)).filter((name) => name !== this.name);
    const found: Waiting[] = [];
    for (const name of names)
      if (!(await this.held(name))) {
        const waiting = read(this.storage.getItem(name));
        this.storage.removeItem(name);
        if (waiting) found.push(waiting);
      }
    return found;
  }

  private async held(name: string): Promise<boolean> {
    return (await this.locks?.request(name, { ifAvailable: true }, (lock) => lock === null)) ?? false;
  }
}

/** How many changes of each rack wait in this browser. */
export function waitingByRack(storage: Kept = localStorage): Map<string, number> {
  const found = new Map<string, number>();
  for (const name of namesOf(storage, PREFIX)) {
    const [id = ""] = name.slice(PREFIX.length).split(".");
    const waiting = read(storage.getItem(name));
    if (waiting) found.set(id, (found.get(id) ?? 0) + Math.max(waiting.writes.length, 1));
  }
  return found;
}

function namesOf(storage: Kept, prefix: string): string[] {
  return Array.from({ length: storage.length }, (_, k) => storage.key(k) ?? "").filter((name) =>
    name.startsWith(prefix),
  );
}

function read(text: string | null): Waiting | null {
  try {
    return JSON.parse(text ?? "") as Waiting;
  } catch {
    return null;
  }
}
