import type { TapeName } from "../api/types";

const KEY = "yardcliff-tape";
/** Each unit with the steps of its tapes, the usual one first. */
export const STEPS = {
  mm: ["1 mm", "0.5 mm"],
  in: ["1/16 in", "1/8 in", "1/32 in", "1/64 in"],
} as const satisfies Record<Unit, readonly TapeName[]>;
const NAMES: readonly TapeName[] = Object.values(STEPS).flat();

export type Unit = "mm" | "in";

/** The tape that was in hand last, in any rack of this browser. */
export const lastTape = (): TapeName => {
  const kept = localStorage.getItem(KEY);
  return NAMES.find((name) => name === kept) ?? "1 mm";
};
export const keepTape = (tape: TapeName) => localStorage.setItem(KEY, tape);
export const lastUnit = (): Unit => (lastTape().endsWith("in") ? "in" : "mm");
