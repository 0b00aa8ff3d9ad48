import { renderToStaticMarkup } from "react-dom/server";
import { expect, test } from "vitest";

import type { Scene as SceneData } from "../api/types";
import { Scene } from "./Scene";

type Symbol = SceneData["symbols"][number];

const BOX = { x0: 0, y0: 0, x1: 1200, y1: 400 };
const stroke = (role: string, d: string) => ({ role, d }) as Symbol["strokes"][number];
const at = (count: number, from = 0): [number, number][] =>
  Array.from({ length: count }, (_, k) => [from + k * 10, 300]);

function symbol(key: string, of: Symbol["of"], places: [number, number][]): Symbol {
  const strokes = [stroke(of, "M-4 -90 L6 -90 L6 0 Z"), stroke(`${of}-line`, "M-4 -40 L6 -40")];
  return { key, of, strokes, places, marks: [] };
}

function drawn(symbols: Symbol[], scale: number, bare = false): string {
  const strokes = [stroke("floor", "M0 0 L1200 0"), stroke("board", "M0 280 L1200 280")];
  const scene = { strokes, symbols, dimensions: [], extent: BOX, wall: BOX, labels: [] } as SceneData;
  return renderToStaticMarkup(
    <svg>
      <Scene scene={scene} scale={scale} bare={bare} />
    </svg>,
  );
}

const count = (markup: string, what: RegExp) => [...markup.matchAll(what)].length;

test("each place is drawn from one symbol, with its fine lines where they can be told", () => {
  const hooks = [symbol("item.", "item", at(12)), symbol("holder", "holder", at(12))];
  const large = drawn(hooks, 1);
  expect(count(large, /<use /g)).toBe(24);
  expect(count(large, /r-item-line/g)).toBe(1);
  expect(large).toContain('x="110" y="300"');
  // Twelve on 1200 mm at a tenth of a pixel a mm are ten pixels apart: outlines only.
  expect(count(drawn(hooks, 0.1), /r-item-line|r-holder-line/g)).toBe(0);
  expect(count(drawn(hooks, 0.1), /<use /g)).toBe(24);
});

test("hundreds of places are boxes, whatever their kinds' numbers, and one kind alone is a band", () => {
  const holder = symbol("holder", "holder", at(120));
  const mixed = [symbol("item.", "item", at(100)), symbol("item.hat", "item", at(20, 1000)), holder];
  // Four pixels apart: a box each.
  const boxes = drawn(mixed, 0.4);
  expect(count(boxes, /<use /g)).toBe(0);
  expect(count(boxes, /M[\d.-]+ [\d.-]+H[\d.-]+V[\d.-]+H[\d.-]+Z/g)).toBe(240);
  // Two pixels apart, of two kinds: still boxes, a band would hide which is which.
  expect(count(drawn(mixed, 0.2), /<path class="r r-item stroke-none"/g)).toBe(0);
  const alike = drawn([symbol("item.", "item", at(120)), holder], 0.2);
  expect(count(alike, /<path class="r r-item stroke-none"/g)).toBe(1);
  // The band runs from the first thing's left to the last one's right, as tall as they are.
  expect(alike).toContain("M-4 210H1196V300H-4Z");
});

test("a box is never thinner than a pixel", () => {
  const markup = drawn([symbol("item.", "item", at(80)), symbol("holder", "holder", at(80))], 0.1);
  const [, left, right] = /d="M([\d.-]+) [\d.-]+H([\d.-]+)V/.exec(markup) ?? [];
  expect((Number(right) - Number(left)) * 0.1).toBeGreaterThanOrEqual(1);
});

test("a small picture leaves out the wall's own things", () => {
  const hooks = [symbol("holder", "holder", at(3))];
  expect(drawn(hooks, 1)).toContain("r-floor");
  expect(drawn(hooks, 1, true)).not.toContain("r-floor");
  expect(drawn(hooks, 1, true)).toContain("r-board");
});

test("the wall is behind everything, and left out where a rack is drawn alone", () => {
  const wall = {
    key: "wall",
    of: "wall",
    strokes: [stroke("stud", "M0 0 L0 400")],
    places: [[-300, 0]],
  } as Symbol;
  const screws = symbol("fixing", "part", at(2));
  const markup = drawn([symbol("holder", "holder", at(12)), wall, screws], 1);
  expect(markup.indexOf("r-stud")).toBeGreaterThan(-1);
  expect(markup.indexOf("r-stud")).toBeLessThan(markup.indexOf("r-board"));
  expect(markup).toContain('x="-300" y="0"');
  const alone = drawn([symbol("holder", "holder", at(12)), wall, screws], 1, true);
  expect(alone).not.toContain("r-stud");
  expect(count(alone, /<use /g)).toBe(12);
});
