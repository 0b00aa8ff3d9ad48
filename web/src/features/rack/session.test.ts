import { afterEach, beforeEach, expect, test, vi } from "vitest";

import { api, OfflineError, ProblemError } from "../../api/client";
import { line } from "../../api/line";
import type { Design, Rack } from "../../api/types";
import { Session } from "./session";

const design = (count: number) =>
  ({ count, brief: { row: { count } }, kept: { same: true } }) as unknown as Design;
const rack = (version: number, count = version) =>
  ({ id: "r", version, design: design(count), undo: "x", redo: null }) as unknown as Rack;
const problem = (type: string) =>
  new ProblemError({ type, title: "", status: 409, detail: "no", errors: [{ field: "f", message: "bad" }] });

let session: Session;
const shown = () => session.store.getState();

beforeEach(() => {
  session = new Session(rack(1), () => undefined);
});
afterEach(() => {
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

test("a stale window is told, and keeps its own change as a copy", async () => {
  vi.spyOn(api, "change").mockRejectedValue(problem("/problems/stale"));
  await session.change({ hung: "1 m" });
  expect(shown().standing).toBe("stale");
  const copy = vi.spyOn(api, "copy").mockResolvedValue(rack(1));
  await session.keepMine();
  expect(copy.mock.calls[0]?.[1]).toEqual({ brief: { row: { count: 1 } }, patch: { hung: "1 m" } });
  expect(shown().standing).toBe("saved");
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
  session = new Session(at("w.1", 6), () => undefined);
  const version = vi.spyOn(api, "version").mockResolvedValue({ version: 1, site: "w.1" });
  const fetched = vi.spyOn(api, "rack").mockResolvedValue(at("w.2", 7));
  const stop = session.watch();
  await vi.advanceTimersByTimeAsync(4100);
  expect(fetched).not.toHaveBeenCalled();
  version.mockResolvedValue({ version: 1, site: "w.2" });
  await vi.advanceTimersByTimeAsync(4100);
  expect(fetched).toHaveBeenCalledTimes(1);
  expect(shown().design.count).toBe(7);
  expect(shown().standing).toBe("saved");
  // Seen once, it is not fetched again.
  await vi.advanceTimersByTimeAsync(4100);
  expect(fetched).toHaveBeenCalledTimes(1);
  // What comes back after a newer change of one's own is let go.
  version.mockResolvedValue({ version: 1, site: "w.3" });
  vi.spyOn(api, "change").mockResolvedValue({ ...at("w.3", 9), version: 2 });
  fetched.mockImplementation(async () => {
    await session.change({});
    return at("w.3", 1);
  });
  await vi.advanceTimersByTimeAsync(4100);
  expect(shown().design.count).toBe(9);
  stop();
  vi.unstubAllGlobals();
});
