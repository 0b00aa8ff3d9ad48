import { expect, test } from "vitest";

import { folded } from "./LogStage";

test("the readings of a day stand in one line, words by themselves", () => {
  const entry = (day: string, kind: string, says: string) => ({ id: says, day, kind, says });
  const told = folded([
    entry("Tue", "note", "Sanded."),
    entry("Tue", "measured", "hole 2: 40 mm"),
    entry("Tue", "note", "Marked."),
    entry("Tue", "measured", "hole 1: 20 mm"),
    entry("Mon", "measured", "the board: 60 mm"),
  ]);
  expect(told.map(({ says }) => says)).toEqual(["Sanded.", "2 readings", "Marked.", "the board: 60 mm"]);
});
