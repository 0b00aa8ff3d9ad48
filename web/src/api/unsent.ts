import { newKey } from "./key";

type Kept = Pick<Storage, "getItem" | "setItem" | "removeItem" | "key" | "length">;

const PREFIX = "yardcliff.unsent.";
/** What is left of a sheet: at least its writes that were not answered. */
interface Left {
  writes: unknown[];
}

/**
 * What waits, kept in the browser until it is answered: the server may be away, the page may be closed. Each window
 * keeps its own; what a closed one left is taken over by the next that opens the sheet.
 */
export class UnsentStore<Waiting extends Left> {
  private readonly name: string;

  constructor(
    private readonly sheet: string,
    private readonly storage: Kept = localStorage,
    private readonly locks: Pick<LockManager, "request"> | undefined = navigator.locks,
  ) {
    this.name = `${PREFIX}${sheet}.${newKey()}`;
    // Held as long as the window lives: what has no holder was left.
    void locks?.request(this.name, () => new Promise<never>(() => undefined));
  }

  keep(waiting: Waiting | null): void {
    try {
      if (waiting) this.storage.setItem(this.name, JSON.stringify(waiting));
      else this.storage.removeItem(this.name);
    } catch {
      /* The browser keeps nothing, or is full: what waits lives as long as the page. */
    }
  }

  /** What closed windows left of this sheet; it is this one's now. */
  async left(): Promise<Waiting[]> {
    const names = namesOf(this.storage, `${PREFIX}${this.sheet}.`).filter((name) => name !== this.name);
    const found: Waiting[] = [];
    for (const name of names)
      if (!(await this.held(name))) {
        const waiting: Waiting | null = read(this.storage.getItem(name));
        this.storage.removeItem(name);
        if (waiting) found.push(waiting);
      }
    return found;
  }

  private async held(name: string): Promise<boolean> {
    return (await this.locks?.request(name, { ifAvailable: true }, (lock) => lock === null)) ?? false;
  }
}

/** How many changes of each sheet wait in this browser. */
export function waitingBySheet(storage: Kept = localStorage): Map<string, number> {
  const found = new Map<string, number>();
  for (const name of namesOf(storage, PREFIX)) {
    const [sheet = ""] = name.slice(PREFIX.length).split(".");
    const waiting: Left | null = read(storage.getItem(name));
    if (waiting) found.set(sheet, (found.get(sheet) ?? 0) + Math.max(waiting.writes.length, 1));
  }
  return found;
}

function namesOf(storage: Kept, prefix: string): string[] {
  return Array.from({ length: storage.length }, (_, k) => storage.key(k) ?? "").filter((name) =>
    name.startsWith(prefix),
  );
}

function read<Waiting extends Left>(text: string | null): Waiting | null {
  try {
    const found: Waiting | null = JSON.parse(text ?? "");
    return Array.isArray(found?.writes) ? found : null;
  } catch {
    return null;
  }
}
