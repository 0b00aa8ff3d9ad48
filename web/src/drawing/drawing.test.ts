import { expect, test } from "vitest";

import type { Dimension, Scene } from "../api/types";
import { placeDimensions, textWidth } from "./dimensions";
import { graduation, stagger } from "./tape";
import { alongRun, apart, fit, onStep, runOf, snapped, toModelX, toScreenX, toScreenY, zoomed } from "./view";

const box = { x0: 0, y0: 500, x1: 1450, y1: 1700 };
const view = fit(box, { width: 900, height: 600 }, { top: 60, right: 40, bottom: 40, left: 40 });

test("zooming keeps the place under the pointer", () => {
  const before = toModelX(view, 300);
  expect(toModelX(zoomed(view, 1.7, 300, 200), 300)).toBeCloseTo(before, 6);
  expect(toModelX(view, toScreenX(view, 725))).toBeCloseTo(725, 6);
});

test("a place is written as whole tape steps", () => {
  expect(onStep(604.2, { name: "1/16 in", step_mm: 1.5875 })).toBe("381*1/16 in");
  expect(onStep(-4, { name: "1 mm", step_mm: 1 })).toBe("0*1 mm");
});

test("a hook in hand takes along what stands at its mark, and leaves the rest where it is", () => {
  const places = [[10, 5], [20, 5], [30, 5], [20, 1]]; // prettier-ignore
  const strokes = [{ role: "board", d: "M0 0H40" }];
  const scene = {
    strokes,
    symbols: [
      { key: "hat", places, marks: [0, -1, 2] },
      { key: "hook", places, marks: [0, 1, 2] },
    ],
  } as Scene;
  const { rest, inHand } = apart(scene, 1);
  expect(inHand).toMatchObject({ strokes: [], symbols: [{ key: "hook", places: [[20, 5]], marks: [1] }] });
  expect(rest.symbols[0]).toBe(scene.symbols[0]);
  expect(rest).toMatchObject({ strokes, symbols: [{}, { places: [[10, 5], [30, 5], [20, 1]], marks: [0, 2] }] }); // prettier-ignore
  // What stands at no mark is nobody's.
  expect(apart(scene, 2).inHand.symbols.map(({ places }) => places)).toEqual([[[30, 5]], [[30, 5]]]);
  expect(apart(scene, 7).inHand.symbols).toEqual([]);
  expect(snapped(604.2, { name: "1/16 in", step_mm: 1.5875 })).toBeCloseTo(381 * 1.5875, 9);
});

test("dimension texts stand clear of each other and of the outermost lines", () => {
  const spans = [
    [0, 25],
    [25, 60],
    [1400, 1450],
    [0, 1450],
  ] as const;
  const dims = spans.map(([start, end], i) => ({
    ...{ axis: "x", at: 1700, side: 1, figure: "", text: "1450 mm" },
    ...{ start, end, level: i === 3 ? 2 : 1 },
  })) as Dimension[];
  const placed = placeDimensions(dims, view);
  const half = textWidth("1450 mm") / 2;
  for (const a of placed) {
    expect(a.textX - half).toBeGreaterThanOrEqual(toScreenX(view, 0) - 1e-6);
    for (const b of placed)
      if (a !== b && a.textY === b.textY)
        expect(Math.abs(a.textX - b.textX)).toBeGreaterThanOrEqual(2 * half - 1e-6);
  }
});

test("a text in the second row makes way for the lines that lead further out", () => {
  const inner = { axis: "x", at: 1700, side: 1, figure: "", text: "4 mm", start: 0, end: 4, level: 1 };
  const dims = [
    inner,
    { ...inner, text: "60 mm", end: 60, level: 2 },
    { ...inner, text: "900 mm", end: 900, level: 3 },
  ];
  const placed = placeDimensions(dims as Dimension[], view).find((one) => one.dimension.level === 1);
  const half = textWidth("4 mm") / 2;
  for (const end of [0, 60, 900].map((x) => toScreenX(view, x)))
    expect(Math.abs((placed?.textX ?? 0) - end)).toBeGreaterThanOrEqual(half - 1e-6);
});

test("an upright text that is longer than its span stands outside its line, on either side", () => {
  const upright = (side: 1 | -1, at: number) =>
    ({ axis: "y", start: 1600, end: 1618, at, side, level: 1, text: "18 mm", figure: "" }) as Dimension;
  const [left, right] = [upright(-1, 0), upright(1, 1450)].map((one) => placeDimensions([one], view)[0]);
  expect(left?.textX).toBeLessThan(left?.line ?? 0);
  expect(left?.line).toBeLessThan(left?.feature ?? 0);
  expect(right?.textX).toBeGreaterThan(right?.line ?? 0);
  expect(right?.line).toBeGreaterThan(right?.feature ?? 0);
});

test("the tape's graduation is legible and labels do not overlap", () => {
  const ticks = graduation("in", 1.5875, 0.6, 0, 914.4);
  expect(ticks.find((tick) => Math.abs(tick.at - 304.8) < 1e-6)?.label).toBe("12");
  expect(Math.min(...ticks.slice(1).map((tick, i) => (tick.at - (ticks[i]?.at ?? 0)) * 0.6))).toBeGreaterThan(
    3.9,
  );
  const labels = (...xs: number[]) => xs.map((x) => ({ x, width: 40 }));
  expect(stagger(labels(0, 50, 100))).toEqual([0, 0, 0]);
  expect(stagger(labels(0, 30, 60, 90))).toEqual([0, 1, 0, 1]);
  expect(stagger(labels(0, 10, 20, 30, 40, 50))).toEqual([0, -1, -1, 1, -1, -1]);
});

test("a row that runs up is drawn lying and turned about its foot", () => {
  const level = runOf(view, false, [0, 1600]);
  const up = runOf(view, true, [45, 150]);
  expect(level.transform).toBe(`translate(${toScreenX(view, 0)} ${toScreenY(view, 1600)})`);
  expect(up.transform).toBe(`translate(${toScreenX(view, 45)} ${toScreenY(view, 150)}) rotate(-90)`);
  // Along the wall a pointer to the right is further on, up it a pointer higher on the screen.
  expect(alongRun(level, { clientX: 30, clientY: 99 }) - alongRun(level, { clientX: 10, clientY: 0 })).toBe(
    20,
  );
  expect(alongRun(up, { clientX: 99, clientY: 10 }) - alongRun(up, { clientX: 0, clientY: 30 })).toBe(20);
  expect(toScreenX(up.along, 100)).toBeCloseTo(100 * view.scale, 9);
});

test("the tape is graduated down to its own step and labelled where there is room", () => {
  const fine = graduation("in", 25.4 / 16, 40, 0, 25.4);
  expect(fine).toHaveLength(17);
  expect(fine[0]?.rank).toBeGreaterThan(fine[1]?.rank ?? 99);
  expect(fine.map(({ label }) => label).filter(Boolean)).toEqual(["0", "1"]);
  // A metre at a pixel a centimetre: metres and half metres only.
  expect(graduation("mm", 1, 0.01, 0, 2000).map(({ at }) => at)).toEqual([0, 500, 1000, 1500, 2000]);
  expect(graduation("mm", 1, 0.0001, 0, 2000)).toEqual([]);
});

test("a dimension up the wall reads from the right and keeps off the rack", () => {
  const up: Dimension = {
    axis: "y",
    start: 500,
    end: 1700,
    at: 0,
    side: -1,
    level: 1,
    figure: "",
    text: "1200 mm",
  };
  const [one] = placeDimensions([up], view);
  expect(one?.line).toBeLessThan(toScreenX(view, 0));
  expect(one?.textX).toBeLessThan(one?.line ?? 0);
  expect(one?.textY).toBeCloseTo((toScreenY(view, 500) + toScreenY(view, 1700)) / 2, 6);
  const [other] = placeDimensions([{ ...up, side: 1, at: 1450 }], view);
  expect(other?.line).toBeGreaterThan(toScreenX(view, 1450));
});
