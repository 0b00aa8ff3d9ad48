import { queries } from "./api/queries";

/** What the browser keeps: one object for all windows of it. */
export function browser() {
  const kept = new Map<string, string>();
  const held = new Set<string>();
  return {
    kept,
    storage: {
      getItem: (name: string) => kept.get(name) ?? null,
      setItem: (name: string, text: string) => void kept.set(name, text),
      removeItem: (name: string) => void kept.delete(name),
      key: (k: number) => [...kept.keys()][k] ?? null,
      get length() {
        return kept.size;
      },
    },
    locks: {
      request: (name: string, ...rest: unknown[]) => {
        const ask = rest.at(-1) as (lock: object | null) => unknown;
        if (rest.length === 1) held.add(name);
        return Promise.resolve(rest.length === 1 ? undefined : ask(held.has(name) ? null : {}));
      },
    } as unknown as LockManager,
    /** Its windows are closed: what they held is free. */
    close: () => {
      held.clear();
      queries.clear();
    },
  };
}
