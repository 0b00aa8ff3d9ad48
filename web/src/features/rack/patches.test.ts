import { expect, test } from "vitest";

import type { Design } from "../../api/types";
import { countPatch, patchAt, pinPatch } from "./patches";

const design = {
  count: 3,
  brief: { row: { pins: [{ index: 1, at: "400 mm" }] } },
} as unknown as Design;

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
