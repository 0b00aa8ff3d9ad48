import type { Design, Patch } from "../../api/types";

/** `row.length` and a value as a merge patch: `{row: {length: value}}`. */
export function patchAt(path: string, value: unknown): Patch {
  return path.split(".").reduceRight<unknown>((inner, key) => ({ [key]: inner }), value) as Patch;
}

interface Pin {
  index: number;
  at: string;
}

const pins = (design: Design) => (design.brief["row"] as { pins: Pin[] }).pins;

/** Holder `index` pinned at `at`, the others as they were; without `at` it is let go. */
export function pinPatch(design: Design, index: number, at?: string): Patch {
  const others = pins(design).filter((pin) => pin.index !== index);
  return { row: { pins: at === undefined ? others : [...others, { index, at }] } };
}

export const countPatch = (design: Design, by: number): Patch => ({
  row: { count: Math.max(1, design.count + by) },
});
