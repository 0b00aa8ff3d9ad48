import { expect, test } from "vitest";

import { forms } from "../po";
import { t, word } from "./messages";

test("what is put in is never read as a message", () => {
  const name = "$t(ui.undo) {n} {{name}} <b>";
  expect(t("racks.is-in-the-bin", { n: 1, which: name })).toBe(`${name} is in the bin.`);
});

test("a count chooses its form, and what no catalogue knows stands as it is", () => {
  expect([1, 2, 0].map((n) => t("timber.lines-have-no-price", { n }))).toEqual([
    "1 line has no price.",
    "2 lines have no price.",
    "0 lines have no price.",
  ]);
  expect(word("threaded rod")).toBe("threaded rod");
  expect(word("bog oak")).toBe("bog oak");
  expect(t("no.such-message")).toBe("no.such-message");
});

test("catalogues write the forms that whole numbers have", () => {
  expect(forms("en_US")).toEqual(["one", "other"]);
  expect(forms("fr")).toEqual(["one", "other"]);
  expect(forms("pl")).toEqual(["one", "few", "many"]);
  expect(forms("ja")).toEqual(["other"]);
});
