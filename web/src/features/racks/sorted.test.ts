import { expect, test } from "vitest";

import type { Filed, RackListed } from "../../api/types";
import { grouped, tagsOf, type Wanted } from "./sorted";

const rack = (name: string, things: string, wall: string | null, filed: Partial<Filed> = {}): RackListed => ({
  id: name,
  name,
  version: 1,
  updated_at: "",
  things,
  wall,
  filed: { tags: [], favourite: false, done: false, ...filed },
});
const RACKS = [
  rack("Mugs 10", "enamel mugs", "Kitchen", { tags: ["spring", "gift"] }),
  rack("Mugs 9", "enamel mugs and ladles", "Kitchen", { done: true, tags: ["gift"] }),
  rack("Coats", "waxed jackets", null),
  rack("Towels", "towels", "Bath", { favourite: true }),
];
const names = (wanted: Partial<Wanted>) =>
  grouped(RACKS, { words: "", which: "all", tags: [], order: "changed", byWall: false, ...wanted }).map(
    ({ wall, racks }) => [wall, racks.map(({ name }) => name)],
  );

test("racks are found by name, things, wall or tag, whatever the order of words", () => {
  expect(names({ words: "KITCHEN ladle" })).toEqual([[null, ["Mugs 9"]]]);
  expect(names({ words: "jacket" })).toEqual([[null, ["Coats"]]]);
  expect(names({ words: "spring" })).toEqual([[null, ["Mugs 10"]]]);
  expect(names({ words: "none of these" })).toEqual([[null, []]]);
});

test("those that are looked at are done or not, favourites, or have all the tags", () => {
  expect(names({ which: "done" })).toEqual([[null, ["Mugs 9"]]]);
  expect(names({ which: "open" })).toEqual([[null, ["Towels", "Mugs 10", "Coats"]]]);
  expect(names({ which: "favourite" })).toEqual([[null, ["Towels"]]]);
  expect(names({ tags: ["gift"] })).toEqual([[null, ["Mugs 10", "Mugs 9"]]]);
  expect(names({ tags: ["gift", "spring"] })).toEqual([[null, ["Mugs 10"]]]);
  expect(tagsOf(RACKS)).toEqual([
    ["gift", 2],
    ["spring", 1],
  ]);
});

test("favourites stand first, then as they were changed, or by name with numbers as numbers, and by wall", () => {
  expect(names({})).toEqual([[null, ["Towels", "Mugs 10", "Mugs 9", "Coats"]]]);
  expect(names({ order: "name" })).toEqual([[null, ["Towels", "Coats", "Mugs 9", "Mugs 10"]]]);
  expect(names({ byWall: true })).toEqual([
    ["Bath", ["Towels"]],
    ["Kitchen", ["Mugs 10", "Mugs 9"]],
    ["", ["Coats"]],
  ]);
});
