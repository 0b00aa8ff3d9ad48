import { expect, test } from "vitest";

import type { Sawn, Timber } from "../../api/types";
import { kindOf, lockPatch, movePatch, options, sticks } from "./useTimber";

const stick = (key: string, names: string[], locked = "") =>
  ({ key, locked, pieces: names.map((name) => ({ name })) }) as unknown as Sawn;

test("a bought stick is one of its kind, one on hand is itself", () => {
  expect(kindOf("Yard: Planed spruce 120 × 21, 1800 #3")).toBe("Yard: Planed spruce 120 × 21, 1800");
  expect(kindOf("stick 9f")).toBe("stick 9f");
});

test("keeping a stick keeps just its pieces, and lets them go again", () => {
  expect(lockPatch(stick("a #1", ["Rail 1", "Rail 2"]))).toEqual({
    cutting: { locked: { "a #1": ["Rail 1", "Rail 2"] } },
  });
  expect(lockPatch(stick("a #1", ["Rail 1"], "a #1"))).toEqual({ cutting: { locked: { "a #1": null } } });
});

test("a moved piece keeps the stick it goes to, and the one it leaves only where that was kept", () => {
  const to = stick("b #1", ["Peg 9"]);
  expect(movePatch("Peg 1", stick("a #1", ["Peg 1", "Peg 2"]), to)).toEqual({
    cutting: { locked: { "b #1": ["Peg 9", "Peg 1"] } },
  });
  expect(movePatch("Peg 1", stick("a #1", ["Peg 1", "Peg 2"], "a #1"), to)).toEqual({
    cutting: { locked: { "b #1": ["Peg 9", "Peg 1"], "a #1": ["Peg 2"] } },
  });
  // Nothing is left on it: then there is nothing to keep.
  expect(movePatch("Peg 1", stick("a #1", ["Peg 1"], "a #1"), to)).toEqual({
    cutting: { locked: { "b #1": ["Peg 9", "Peg 1"], "a #1": null } },
  });
});

test("sticks are those of all groups, and tables are menus", () => {
  const [one, two] = [stick("a", []), stick("b", [])];
  expect(sticks({ groups: [{ sawn: [one] }, { sawn: [two] }] } as unknown as Timber)).toEqual([one, two]);
  expect(options([{ name: "oak", says: "strong" }])).toEqual([{ value: "oak", label: "oak", why: "strong" }]);
  expect(options(undefined)).toEqual([]);
});
