import type { Patch } from "./types";

/** `row.length` and a value as a merge patch: `{row: {length: value}}`. */
export function patchAt(path: string, value: unknown): Patch {
  const [first = "", ...rest] = path.split(".");
  return { [first]: rest.length ? patchAt(rest.join("."), value) : value };
}

const isObject = (value: unknown): value is object =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** `patch` merged into `target` as RFC 7396 has it. */
export function merged<T>(target: T, patch: Patch): T;
export function merged(target: unknown, patch: unknown): unknown {
  if (!isObject(patch)) return patch;
  const found = new Map<string, unknown>(Object.entries(isObject(target) ? target : {}));
  for (const [key, value] of Object.entries(patch))
    if (value === null) found.delete(key);
    else found.set(key, merged(found.get(key), value));
  return Object.fromEntries(found);
}

/** Every text and number of a patch, by its dotted path. */
export function leaves(patch: unknown, path = ""): [string, string][] {
  if (typeof patch === "string" || typeof patch === "number") return [[path, String(patch)]];
  if (!isObject(patch)) return [];
  return Object.entries(patch).flatMap(([key, value]) => leaves(value, path ? `${path}.${key}` : key));
}

/** What stands at a dotted path of a document, if anything. */
export const valueAt = (document: unknown, path: string): unknown =>
  path
    .split(".")
    .reduce<unknown>(
      (at, key) => (typeof at === "object" && at !== null ? Reflect.get(at, key) : undefined),
      document,
    );
