import { afterEach, beforeEach, expect, test, vi } from "vitest";

import { api, OfflineError, ProblemError } from "../../api/client";
import { line } from "../../api/line";
import { queries } from "../../api/queries";
import type { Design, Rack } from "../../api/types";
import { browser } from "../../testing";
import { Session } from "./session";
import { UnsentStore, waitingBySheet } from "../../api/unsent";

const design = (count: number) =>
  ({
    count,
    brief: { row: { count } },
    kept: { same: true },
    marks: { x: [0, 0, count] },
  }) as unknown as Design;
const rack = (version: number, count = version) =>
  ({ id: "r", version, design: design(count), undo: "x", redo: null }) as unknown as Rack;
const problem = (type: string) =>
  new ProblemError({ type, title: "", status: 409, detail: "no", errors: [{ field: "f", message: "bad" }] });

let home: ReturnType<typeof browser>;
let session: Session;
const opened = (of: Rack) =>
  new Session(of, () => undefined, new UnsentStore(of.id, home.storage, home.locks));
const shown = () => session.store.getState();

beforeEach(() => {
  home = browser();
  session = opened(rack(1));
});
afterEach(() => {
  queries.clear();
  vi.restoreAllMocks();
  vi.useRealTimers();
});

test("changes are stored one after another, each from the version before", async () => {
  const bases: number[] = [];
  vi.spyOn(api, "change").mockImplementation((_, base) => {
    bases.push(base);
    return Promise.resolve(rack(base + 1));
  });
  await Promise.all([session.change({}), session.change({}), session.change({})]);
  expect(bases).toEqual([1, 2, 3]);
  expect(shown().standing).toBe("saved");
  expect(shown().design.count).toBe(4);
});

test("what did not change keeps its identity", async () => {
  const before = shown().design;
  vi.spyOn(api, "change").mockResolvedValue(rack(2));
  await session.change({});
  expect(shown().design).not.toBe(before);
  expect((shown().design as unknown as { kept: object }).kept).toBe(
    (before as unknown as { kept: object }).kept,
  );
});

test("what cannot be read goes to the field that asked, and the design stays", async () => {
  const before = shown().design;
  vi.spyOn(api, "change").mockRejectedValue(problem("/problems/unreadable-brief"));
  expect(await session.change({})).toBe("bad");
  expect(shown().design).toEqual(before);
  expect(shown().standing).toBe("saved");
});

test("a stale window keeps all of its changes, in their order, and nobody's else", async () => {
  const change = vi.spyOn(api, "change").mockRejectedValue(problem("/problems/stale"));
  const solve = vi
    .spyOn(line, "solve")
    .mockImplementation((_, brief, patch) =>
      Promise.resolve({ ...design(7), brief: { ...brief, ...patch } } as Design),
    );
  await session.change({ hung: "1 m" });
  await session.change({ tape: "1/16 in" });
  expect(change).toHaveBeenCalledTimes(1);
  expect(shown()).toMatchObject({ standing: "stale", waiting: 1, design: { count: 7 } });
  solve.mockRejectedValueOnce(problem("/problems/unreadable-brief"));
  expect(await session.change({ hung: "high" })).toBe("bad");
  // Closed and opened again, it is all there.
  home.close();
  const again = opened(rack(9));
  await again.resume();
  const all = { row: { count: 1 }, hung: "1 m", tape: "1/16 in" };
  expect(again.store.getState()).toMatchObject({ standing: "stale", design: { brief: all } });
  const copy = vi.spyOn(api, "copy").mockResolvedValue(rack(1));
  await again.keepMine();
  expect(copy.mock.calls[0]?.[1]).toEqual({ brief: all });
  expect(again.store.getState()).toMatchObject({ standing: "saved", waiting: 0, design: { count: 9 } });
  expect(waitingBySheet(home.storage).size).toBe(0);
});

test.each([0, 50, 300])(
  "no press is lost at a latency of %d ms, and each goes on from the others",
  async (ms) => {
    vi.useFakeTimers();
    let stored = rack(1, 8);
    session = opened(stored);
    const change = vi.spyOn(api, "change").mockImplementation(async (_, base, patch) => {
      await new Promise((resolve) => setTimeout(resolve, ms));
      expect(base).toBe(stored.version);
      return (stored = rack(base + 1, (patch["row"] as { count: number }).count));
    });
    const count = (by: number) =>
      session.press("row.count", by, (at, n) => ({ row: { count: at.count + n } }));
    for (let k = 0; k < 20; k++) {
      count(1);
      await vi.advanceTimersByTimeAsync(30);
    }
    for (let k = 0; k < 15; k++) count(-1);
    await vi.advanceTimersByTimeAsync(20 * ms + 100);
    expect(shown()).toMatchObject({ standing: "saved", waiting: 0, design: { count: 13 } });
    expect(change.mock.calls.length).toBeLessThanOrEqual(22);
  },
);

test("what is made of a list is made of the list as it is by then", async () => {
  const answers: ((rack: Rack) => void)[] = [];
  const change = vi
    .spyOn(api, "change")
    .mockImplementation(() => new Promise((resolve) => answers.push(resolve)));
  const add = (at: Design) => ({ row: { count: at.count + 1 } });
  session.apply(add);
  session.apply(add);
  await vi.waitFor(() => expect(answers).toHaveLength(1));
  answers[0]?.(rack(2, 5));
  await vi.waitFor(() => expect(answers).toHaveLength(2));
  expect(change.mock.calls[1]?.[2]).toEqual({ row: { count: 6 } });
});

test("what waits for the server outlives its window, and is sent once, under its key", async () => {
  vi.useFakeTimers();
  const change = vi.spyOn(api, "change").mockRejectedValue(new OfflineError("away"));
  void session.change({ hung: "1 m" });
  void session.change({ row: { count: "7" } });
  session.press("row.count", 1, (at, n) => ({ row: { count: at.count + n } }));
  session.press("row.count", 1, (at, n) => ({ row: { count: at.count + n } }));
  await vi.advanceTimersByTimeAsync(10);
  expect(shown()).toMatchObject({ standing: "offline", waiting: 3 });
  expect(session.unsaved).toBe(true);
  expect(waitingBySheet(home.storage).get("r")).toBe(3);
  // Another window of the same browser leaves it to the one that is open.
  const beside = opened(rack(1));
  await beside.resume();
  expect(beside.store.getState().waiting).toBe(0);

  const key = change.mock.calls[0]?.[3];
  const sent: unknown[] = [];
  change.mockImplementation((_, base, patch, again) => {
    sent.push([base, patch, again === key]);
    return Promise.resolve(rack(base + 1));
  });
  home.close();
  const next = opened(rack(1));
  await next.resume();
  await vi.waitFor(() => expect(next.store.getState().waiting).toBe(0));
  expect(sent).toEqual([
    [1, { hung: "1 m" }, true],
    [2, { row: { count: "7" } }, false],
    [3, { row: { count: 9 } }, false], // two presses on from what was typed, though no server worked it out
  ]);
});

test("what was written though its answer was lost is not written again", async () => {
  vi.spyOn(api, "change").mockRejectedValue(problem("/problems/already-written"));
  vi.spyOn(api, "rack").mockResolvedValue(rack(2, 12));
  expect(await session.change({ hung: "1 m" })).toBeNull();
  expect(shown()).toMatchObject({ standing: "saved", design: { count: 12 }, rack: { version: 2 } });
});

test("a change waits while the server is away", async () => {
  vi.useFakeTimers();
  const change = vi
    .spyOn(api, "change")
    .mockRejectedValueOnce(new OfflineError("away"))
    .mockResolvedValue(rack(2));
  const done = session.change({});
  await vi.advanceTimersByTimeAsync(10);
  expect(shown().standing).toBe("offline");
  await vi.advanceTimersByTimeAsync(5000);
  expect(await done).toBeNull();
  expect(change).toHaveBeenCalledTimes(2);
  expect(shown().standing).toBe("saved");
});

test("of previews the newest wins, and a stored change overtakes them", async () => {
  const answers: ((design: Design) => void)[] = [];
  const solve = vi
    .spyOn(line, "solve")
    .mockImplementation(() => new Promise((resolve) => answers.push(resolve)));
  session.preview({ row: { count: 5 } });
  await vi.waitFor(() => expect(answers).toHaveLength(1));
  for (const count of [6, 7]) session.preview({ row: { count } });
  answers[0]?.(design(5));
  await vi.waitFor(() => expect(answers).toHaveLength(2));
  expect(solve.mock.calls[1]?.[2]).toEqual({ row: { count: 7 } });
  vi.spyOn(api, "change").mockResolvedValue(rack(2, 8));
  await session.change({});
  answers[1]?.(design(7));
  await Promise.resolve();
  expect(shown().design.count).toBe(8);
});

test("what is in hand is shown at once, then where its own answer says, until it is let go", async () => {
  const answers: ((design: Design) => void)[] = [];
  vi.spyOn(line, "solve").mockImplementation(() => new Promise((resolve) => answers.push(resolve)));
  const at = (x: number) => session.preview({ row: { count: x } }, { mark: 2, x });
  at(5);
  expect(shown().hand).toEqual({ mark: 2, x: 5 });
  await vi.waitFor(() => expect(answers).toHaveLength(1));
  at(6);
  answers[0]?.(design(5));
  await vi.waitFor(() => expect(answers).toHaveLength(2));
  expect(shown()).toMatchObject({ design: { count: 5 }, hand: { mark: 2, x: 6 } });
  answers[1]?.({ ...design(6), marks: { x: [0, 0, 6.5] } } as Design);
  await vi.waitFor(() => expect(shown()).toMatchObject({ design: { count: 6 }, hand: { mark: 2, x: 6.5 } }));
  at(7);
  session.preview(null);
  expect(shown().hand).toBeNull();
  at(8);
  vi.spyOn(api, "change").mockRejectedValue(problem("/problems/unreadable-brief"));
  await session.change({});
  expect(shown()).toMatchObject({ design: { count: 1 }, hand: null });
});

test("the row follows what is in hand now and then, and last of all where it came to rest", async () => {
  const solve = vi
    .spyOn(line, "solve")
    .mockImplementation((_, __, patch) => Promise.resolve(design((patch.row as { count: number }).count)));
  for (let x = 1; x <= 20; x++) {
    session.preview({ row: { count: x } }, { mark: 2, x });
    await new Promise((resolve) => setTimeout(resolve, 10));
  }
  await vi.waitFor(() => expect(shown().design.count).toBe(20));
  expect(solve.mock.calls.length).toBeLessThanOrEqual(7);
});

test("what is tried while a change is being stored is tried on that change, and stays shown", async () => {
  let store: (rack: Rack) => void = () => undefined;
  vi.spyOn(api, "change").mockReturnValue(new Promise((resolve) => (store = resolve)));
  const solve = vi.spyOn(line, "solve").mockResolvedValue(design(9));
  const stored = session.change({});
  session.preview({ row: { count: 9 } });
  await Promise.resolve();
  expect(solve).not.toHaveBeenCalled();
  store(rack(2, 8));
  await stored;
  await vi.waitFor(() => expect(shown().design.count).toBe(9));
  expect(solve.mock.calls[0]?.[1]).toEqual({ row: { count: 8 } });
});

test("a slip that is not kept makes room for the next", () => {
  session.openFigure("a");
  session.keepSlip("a");
  session.openFigure("b");
  session.openFigure("c");
  expect(shown().slips.map((slip) => slip.key)).toEqual(["a", "c"]);
  session.closeSlip();
  expect(shown().slips).toEqual([{ key: "a", kept: true }]);
});

test("a wall that is another now is shown at once; a change of one's own under way comes first", async () => {
  vi.useFakeTimers();
  vi.stubGlobal("document", { hidden: false });
  const at = (site: string, count: number) => ({ ...rack(1, count), site }) as Rack;
  session = opened(at("w.1", 6));
  const version = vi.spyOn(api, "version").mockResolvedValue({ version: 1, site: "w.1", facts: 4 });
  const fetched = vi.spyOn(api, "rack").mockResolvedValue(at("w.2", 7));
  const stop = session.watch();
  await vi.advanceTimersByTimeAsync(1600);
  expect(fetched).not.toHaveBeenCalled();
  version.mockResolvedValue({ version: 1, site: "w.2", facts: 4 });
  await vi.advanceTimersByTimeAsync(1600);
  expect(fetched).toHaveBeenCalledTimes(1);
  expect(shown().design.count).toBe(7);
  expect(shown().standing).toBe("saved");
  // Seen once, it is not fetched again.
  await vi.advanceTimersByTimeAsync(1600);
  expect(fetched).toHaveBeenCalledTimes(1);
  // What was done at the bench may hold the plan.
  version.mockResolvedValue({ version: 1, site: "w.2", facts: 5 });
  fetched.mockResolvedValue(at("w.2", 8));
  await vi.advanceTimersByTimeAsync(1600);
  expect(shown()).toMatchObject({ facts: 5, design: { count: 8 } });
  // What comes back after a newer change of one's own is let go.
  version.mockResolvedValue({ version: 1, site: "w.3", facts: 5 });
  vi.spyOn(api, "change").mockResolvedValue({ ...at("w.3", 9), version: 2 });
  fetched.mockImplementation(async () => {
    await session.change({});
    return at("w.3", 1);
  });
  await vi.advanceTimersByTimeAsync(1600);
  expect(shown().design.count).toBe(9);
  stop();
  vi.unstubAllGlobals();
});
