import { expect, test } from "vitest";

import type { RackListed } from "../../api/types";
import { grouped } from "./sorted";

const rack = (name: string, things: string, wall: string | null): RackListed => ({
  id: name,
  name,
  version: 1,
  updated_at: "",
  things,
  wall,
});
const RACKS = [
  rack("Mugs 10", "enamel mugs", "Kitchen"),
  rack("Mugs 9", "enamel mugs and ladles", "Kitchen"),
  rack("Coats", "waxed jackets", null),
  rack("Towels", "towels", "Bath"),
];
const names = (words: string, order: "changed" | "name", byWall = false) =>
  grouped(RACKS, words, order, byWall).map(({ wall, racks }) => [wall, racks.map(({ name }) => name)]);

test("racks are found by name, things or wall, whatever the order of words", () => {
  expect(names("KITCHEN ladle", "changed")).toEqual([[null, ["Mugs 9"]]]);
  expect(names("jacket", "changed")).toEqual([[null, ["Coats"]]]);
  expect(names("none of these", "changed")).toEqual([[null, []]]);
});

test("they stand as they were changed, or by name with numbers as numbers, and by wall", () => {
  expect(names("", "changed")).toEqual([[null, ["Mugs 10", "Mugs 9", "Coats", "Towels"]]]);
  expect(names("", "name")).toEqual([[null, ["Coats", "Mugs 9", "Mugs 10", "Towels"]]]);
  expect(names("", "changed", true)).toEqual([
    ["Bath", ["Towels"]],
    ["Kitchen", ["Mugs 10", "Mugs 9"]],
    ["", ["Coats"]],
  ]);
});
