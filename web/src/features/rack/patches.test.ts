import { patchAt } from "../../api/patch";
import { expect, test } from "vitest";

import type { Design } from "../../api/types";
import {
  addKindPatch,
  countPatch,
  forgetKeepOutPatch,
  keepOutPatch,
  kindAtPatch,
  kindCountPatch,
  movePatch,
  negated,
  pinPatch,
  removeKindPatch,
  unsigned,
} from "./patches";

const asFirst = { kind: "=", count: null };
const design = {
  count: 3,
  brief: {
    row: {
      pins: [{ index: 1, at: "400 mm" }],
      keepouts: [
        { flaw: "knot", at: "200 mm", width: "25 mm" },
        { flaw: "screw", at: "700 mm", width: "8 mm" },
      ],
    },
    others: { hat: { name: "hat" } },
    rows: {
      own: [
        { kind: "=", count: null },
        { kind: "hat", count: 2 },
      ],
    },
  },
  things: { kind: ["", "hat", ""] },
} as unknown as Design;

test("an overlap is a gap with the other sign, and shown without one", () => {
  expect(negated("1 1/2 in-1/4 in")).toBe("-(1 1/2 in-1/4 in)");
  for (const text of ["-59 mm", negated("59 mm")]) expect(unsigned(text)).toBe("59 mm");
  expect(unsigned("-(2 in) - 1/16 in")).toBe("(2 in) - 1/16 in");
});

test("a dotted path becomes a merge patch", () => {
  expect(patchAt("row.ends.left", "2 in")).toEqual({ row: { ends: { left: "2 in" } } });
  expect(patchAt("hung", "1 m")).toEqual({ hung: "1 m" });
});

test("pinning keeps the other pins, moves one that is there, and lets go", () => {
  const other = { index: 1, at: "400 mm" };
  expect(pinPatch(design, 0, "9*1 mm")).toEqual({ row: { pins: [other, { index: 0, at: "9*1 mm" }] } });
  expect(pinPatch(design, 1, "5*1 mm")).toEqual({ row: { pins: [{ index: 1, at: "5*1 mm" }] } });
  expect(pinPatch(design, 1)).toEqual({ row: { pins: [] } });
});

test("the count never falls below one", () => {
  expect(countPatch(design, -5)).toEqual({ row: { count: 1 } });
  expect(countPatch(design, 1)).toEqual({ row: { count: 4 } });
});

test("more of a kind go beside the last of it, fewer leave from the end", () => {
  expect(kindCountPatch(design, "hat", 3)).toEqual({
    row: { order: ["", "hat", "hat", "hat", ""], count: 5 },
  });
  expect(kindCountPatch(design, "", 1)).toEqual({ row: { order: ["", "hat"], count: 2 } });
  expect(kindCountPatch(design, "hat", 0)).toEqual({ row: { order: [], count: 2 } });
});

test("kinds are added at the end, changed at a place, moved and taken off", () => {
  expect(addKindPatch(design, "mug", { name: "mug" })).toEqual({
    others: { mug: { name: "mug" } },
    row: { order: ["", "hat", "", "mug"], count: 4 },
  });
  expect(kindAtPatch(design, 0, "hat")).toEqual({ row: { order: ["hat", "hat", ""], count: 3 } });
  expect(movePatch(design, 1, 2)).toEqual({ row: { order: ["", "", "hat"], count: 3 } });
  expect(removeKindPatch(design, "hat")).toEqual({
    others: { hat: null },
    row: { order: [], count: 2 },
    rows: { own: [asFirst, asFirst] },
  });
  expect(removeKindPatch(design, "")).toEqual({
    item: { name: "hat" },
    others: { hat: null },
    row: { order: [], count: 1 },
    rows: { own: [asFirst, { kind: "", count: 2 }] },
  });
});

test("a keep-out is moved or forgotten, the others stay", () => {
  expect(keepOutPatch(design, 1, { at: "710 mm" })).toEqual({
    row: {
      keepouts: [
        { flaw: "knot", at: "200 mm", width: "25 mm" },
        { flaw: "screw", at: "710 mm", width: "8 mm" },
      ],
    },
  });
  expect(forgetKeepOutPatch(design, 0)).toEqual({
    row: { keepouts: [{ flaw: "screw", at: "700 mm", width: "8 mm" }] },
  });
});
