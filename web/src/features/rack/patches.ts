import { leaves, merged, valueAt } from "../../api/patch";
import type { Brief, Design, KeepOut, OwnRow, Patch, RowBrief, RowsBrief } from "../../api/types";

/** A design with changes that only its server could work out: what they say themselves is known without it. */
export function pendingOn(design: Design, patches: readonly Patch[]): Design {
  if (!patches.length) return design;
  const said = Object.fromEntries(patches.flatMap((patch) => leaves(patch)));
  const count = Number(said["row.count"]);
  return {
    ...design,
    brief: patches.reduce<Brief>((brief, patch) => merged(brief, patch), design.brief),
    fields: { ...design.fields, ...said },
    count: count > 0 ? count : design.count,
  };
}

/** The text of a field of the brief as it is shown; `placeholder` where nothing is held. */
export function textAt(design: Design, path: string, placeholder = ""): string {
  const value = valueAt(design.brief, path);
  const plain = typeof value === "number" || typeof value === "string" ? String(value) : "";
  return design.fields[path] ?? (plain || placeholder);
}

const WEIGHT = /^(\d+(?:\.\d+)?)(?: (\d+)\/(\d+))? (g|kg|oz|lb)$/;
const WEIGHED = { g: 10, kg: 0.1, oz: 1, lb: 0.25 };

/** A text so many steps on: a length by those of the tape, a weight by what is easily weighed, a count by one each. */
export function stepped(text: string, step: string, by: number): string {
  const weight = WEIGHT.exec(text);
  if (weight) {
    const unit = weight[4] as keyof typeof WEIGHED;
    const value = Number(weight[1]) + (weight[3] ? Number(weight[2]) / Number(weight[3]) : 0);
    return `${Math.max(0, Number((value + by * WEIGHED[unit]).toFixed(2)))} ${unit}`;
  }
  if (!/[a-z]/.test(text)) return String(Number(text) + by);
  const steps = Math.abs(by) === 1 ? step : `${Math.abs(by)}*${step}`;
  return `${text} ${by > 0 ? "+" : "-"} ${steps}`;
}

/** A row that hangs what the first one hangs. */
export const ALIKE = "=";
/** The kind that a rack begins with; the others have names. */
export const MAIN = "";

/** A length with the other sign, as the server reads it; and as it is written where it has one. */
export const negated = (text: string) => `-(${text})`;
export const unsigned = (text: string) => text.replace(/^-(?:\((.*)\)$)?/, "$1");

export const rowsOf = (design: Design): RowsBrief => design.brief.rows;
export const rowOf = (design: Design): RowBrief => design.brief.row;

/** Holder `index` pinned at `at`, the others as they were; without `at` it is let go. */
export function pinPatch(design: Design, index: number, at?: string): Patch {
  const others = rowOf(design).pins.filter((pin) => pin.index !== index);
  return { row: { pins: at === undefined ? others : [...others, { index, at }] } };
}

/** Keep-out `index` changed; the others as they were. */
export const keepOutPatch = (design: Design, index: number, change: Partial<KeepOut>): Patch => ({
  row: { keepouts: rowOf(design).keepouts.map((one, k) => (k === index ? { ...one, ...change } : one)) },
});

/** Keep-out `index` forgotten. */
export const forgetKeepOutPatch = (design: Design, index: number): Patch => ({
  row: { keepouts: rowOf(design).keepouts.filter((_, k) => k !== index) },
});

export const countPatch = (design: Design, by: number): Patch => ({
  row: { count: Math.max(1, design.count + by) },
});

const kindsOf = (design: Design) => [...design.things.kind];

/** The things in this order; a row of the main kind alone needs none. */
const inOrder = (order: string[]) => ({
  order: order.every((kind) => kind === MAIN) ? [] : order,
  count: order.length,
});

export const countOf = (design: Design, kind: string) =>
  design.things.kind.filter((one) => one === kind).length;

/** `count` things of a kind: more go beside the last of it, fewer leave from the end. */
export function kindCountPatch(design: Design, kind: string, count: number): Patch {
  const order = kindsOf(design);
  let now = order.filter((one) => one === kind).length;
  for (; now < count; now++) order.splice(order.lastIndexOf(kind) + 1 || order.length, 0, kind);
  for (; now > count; now--) order.splice(order.lastIndexOf(kind), 1);
  return { row: inOrder(order) };
}

/** One more kind of thing, `count` of it, at the right end. */
export const addKindPatch = (design: Design, kind: string, item: unknown, count = 1): Patch => ({
  others: { [kind]: item },
  row: inOrder([...kindsOf(design), ...Array<string>(count).fill(kind)]),
});

/** All of a kind taken off the rack. The main one is followed by the next. */
export function removeKindPatch(design: Design, kind: string): Patch {
  const others = design.brief.others;
  const kept = kindsOf(design).filter((one) => one !== kind);
  const next = kind === MAIN ? (kept[0] ?? Object.keys(others)[0] ?? MAIN) : MAIN;
  // The row may have held nothing else: then one of what is left begins it.
  const left = kept.length ? kept : [next];
  const renamed = (one: string) => (kind === MAIN && one === next ? MAIN : one);
  const own = rowsOf(design).own.map((row) =>
    row.kind === kind
      ? { kind: ALIKE, count: null }
      : {
          ...row,
          kind: renamed(row.kind),
          ...(row.order && { order: row.order.filter((one) => one !== kind).map(renamed) }),
        },
  );
  return {
    ...(kind === MAIN ? { item: others[next], others: { [next]: null } } : { others: { [kind]: null } }),
    row: inOrder(left.map(renamed)),
    rows: { own },
  };
}

/** Another kind at one place. */
export const kindAtPatch = (design: Design, place: number, kind: string): Patch => ({
  row: inOrder(kindsOf(design).map((one, index) => (index === place ? kind : one))),
});

/** The thing at one place moved to another; those between make room. */
export function movePatch(design: Design, from: number, to: number): Patch {
  const order = kindsOf(design);
  order.splice(to, 0, ...order.splice(from, 1));
  return { row: inOrder(order) };
}

/** What row `index` (from 0) hangs; the rows before it as they were. */
export function ownRowPatch(design: Design, index: number, change: Partial<OwnRow>): Patch {
  const own = Array.from(
    { length: Math.max(index + 1, rowsOf(design).own.length) },
    (_, k) => rowsOf(design).own[k] ?? { kind: ALIKE, count: null },
  );
  return { rows: { own: own.map((row, k) => (k === index ? { ...row, ...change } : row)) } };
}
