import { afterEach, beforeEach, expect, test, vi } from "vitest";

import { api, OfflineError, ProblemError } from "../../api/client";
import { queries } from "../../api/queries";
import type { Making, Task, Tick } from "../../api/types";
import { UnsentStore } from "../../api/unsent";
import { browser } from "../../testing";
import { Outbox, type Refused } from "./outbox";
import { remaining } from "./Timers";
import { overlaid, reordered } from "./useMaking";
import { spoken } from "./useReader";
import { runningSince, spent } from "./Clock";
import { nextOf } from "./BenchPage";
import { atHand } from "./Picture";
import { readHours, writeHours } from "./WorkshopSheet";

let home: ReturnType<typeof browser>;
const opened = () => new Outbox("r", new UnsentStore("bench-r", home.storage, home.locks));

beforeEach(() => {
  vi.useFakeTimers();
  home = browser();
});
afterEach(() => {
  queries.clear();
  vi.restoreAllMocks();
  vi.useRealTimers();
});

const task = (key: string, lines: string[] = []) => ({
  key,
  done: null,
  waited: false,
  lines: lines.map((text) => ({ item: `${key}|${text}`, text, done: false })),
});
const making = {
  tasks: [task("mark", ["1: 72 mm", "2: 218 mm"]), task("drill"), task("sand")],
} as unknown as Making;

const problem = (status: number, detail: string) =>
  new ProblemError({ type: "", title: "", status, detail, errors: [] });

test("what is ticked while the link is down is sent later, once and in its order", async () => {
  const say = vi.spyOn(api, "say").mockRejectedValue(new OfflineError("down"));
  const first = opened();
  void first.say("mark|1: 72 mm", true);
  void first.say("mark|1: 72 mm", false);
  void first.say("mark", true);
  await vi.advanceTimersByTimeAsync(10);
  const said = first.held.waiting;
  expect(said.map(({ item, at }) => [item, at !== null])).toEqual([
    ["mark|1: 72 mm", true],
    ["mark|1: 72 mm", false],
    ["mark", true],
  ]);
  expect(first.held.trouble).toBe("away");
  // The page is closed and opened again; then the link is back.
  home.close();
  say.mockReset().mockResolvedValue(undefined);
  const again = opened();
  await vi.advanceTimersByTimeAsync(10);
  expect(again.held).toMatchObject({ waiting: [], trouble: "" });
  expect(say.mock.calls.map(([, [tick]]) => tick)).toEqual(said);
  home.close();
  expect(opened().held.waiting).toEqual([]);
});

test("what is sent stays laid over what is seen until that has it", async () => {
  vi.spyOn(api, "say").mockResolvedValue(undefined);
  const box = opened();
  let seen: () => void = () => undefined;
  box.seenBy(() => new Promise<void>((resolve) => (seen = resolve)));
  const said = box.say("mark", true);
  await vi.advanceTimersByTimeAsync(10);
  expect(box.held.waiting).toHaveLength(1);
  seen();
  await said;
  expect(box.held.waiting).toEqual([]);
});

test("what is refused is not sent for ever, and stays with its reason until it is let go", async () => {
  const gone = problem(404, "There is no such rack.");
  vi.spyOn(api, "say").mockRejectedValue(gone);
  await opened().say("mark", true);
  home.close();
  const again = opened();
  await vi.advanceTimersByTimeAsync(10);
  expect(again.held).toMatchObject({ waiting: [], refused: [{ said: { item: "mark" }, why: gone.message }] });
  again.letGo(again.held.refused[0] as Refused);
  home.close();
  home.storage.setItem("yardcliff.unsent.bench-r.broken", "{");
  const third = opened();
  await vi.advanceTimersByTimeAsync(10);
  expect(third.held).toEqual({ waiting: [], refused: [], trouble: "" });
});

test("a new key, a restart or trouble of the server throws no tick away, and one that is refused holds no other up", async () => {
  const say = vi.spyOn(api, "say").mockRejectedValueOnce(problem(401, "another key"));
  const box = opened();
  void box.say("mark", true);
  await vi.advanceTimersByTimeAsync(10);
  expect(box.held).toMatchObject({ waiting: [{ item: "mark" }], trouble: "key" });
  say.mockRejectedValueOnce(problem(503, "busy"));
  await vi.advanceTimersByTimeAsync(2000);
  expect(box.held.trouble).toBe("server");
  say.mockImplementation((_, [tick]) =>
    tick?.item === "wrong" ? Promise.reject(problem(422, "no such step")) : Promise.resolve(undefined),
  );
  for (const item of ["wrong", "drill"]) void box.say(item, true);
  await vi.advanceTimersByTimeAsync(2100);
  expect(box.held).toMatchObject({ waiting: [], trouble: "", refused: [{ said: { item: "wrong" } }] });
  expect(say.mock.lastCall?.[1]).toMatchObject([{ item: "drill" }]);
});

test("what was said and not heard yet is shown as if it had been", () => {
  const said = (item: string, at: string | null) => ({ id: item, item, at });
  const lines = overlaid(making, [said("mark|1: 72 mm", "2026-11-26T19:00")]).tasks[0]?.lines;
  expect(lines?.map(({ done }) => done)).toEqual([true, false]);
  const done = overlaid(making, [said("mark", "2026-11-26T19:00")]).tasks[0];
  expect([done?.done, done?.lines.every((line) => line.done)]).toEqual(["2026-11-26T19:00", true]);
  expect(overlaid(making, [said("mark", "2026-11-26T19:00"), said("mark", null)]).tasks[0]?.done).toBe(null);
  expect(overlaid(making, [])).toBe(making);
});

test("a task is moved before another or to the end", () => {
  expect(reordered(making.tasks, "sand", "mark")).toEqual(["sand", "mark", "drill"]);
  expect(reordered(making.tasks, "mark", null)).toEqual(["drill", "sand", "mark"]);
});

test("hours are read as people write them", () => {
  expect(readHours("19-21:30", 2)).toEqual([{ day: 2, start: "19:00", end: "21:30" }]);
  expect(readHours("9:00 to 12:00, 14.15 – 18", 5)).toEqual([
    { day: 5, start: "09:00", end: "12:00" },
    { day: 5, start: "14:15", end: "18:00" },
  ]);
  expect(readHours("7-9:30 pm, 10 AM to 4 p.m.", 2)).toEqual([
    { day: 2, start: "19:00", end: "21:30" },
    { day: 2, start: "10:00", end: "16:00" },
  ]);
  expect(readHours("10-4 pm", 2)).toEqual([{ day: 2, start: "10:00", end: "16:00" }]);
  // What ends before it begins is said, not mended.
  expect(readHours("21:00-19:00", 2)).toEqual([{ day: 2, start: "21:00", end: "19:00" }]);
  expect(readHours("12 am-12 pm", 2)).toEqual([{ day: 2, start: "00:00", end: "12:00" }]);
  expect([readHours("none", 0), readHours(" ", 0)]).toEqual([[], []]);
  expect([readHours("evening", 0), readHours("19:00", 0)]).toEqual([null, null]);
  expect(writeHours(readHours("19-21:30", 2) ?? [], 2)).toBe("19:00–21:30");
});

test("the stick at hand is the one that the next line is about", () => {
  const sticks = [{ order: ["square", "cut"] }, { order: ["cut"] }] as Parameters<typeof atHand>[1];
  const lines = (done: number) => ({
    lines: [...Array(5).keys()].map((k) => ({ item: `${k}`, text: "", done: k < done, gone: false })),
  });
  expect(
    [0, 2, 3, 4, 5].map((done) => sticks.findIndex((one) => one === atHand(lines(done), sticks))),
  ).toEqual([0, 0, 1, 1, 1]);
});

test("the time at the bench is told", () => {
  const since = "2026-11-26T19:05";
  expect(["19:05", "19:47", "20:10"].map((at) => spent(since, `2026-11-26T${at}`))).toEqual([
    "0 min",
    "42 min",
    "1 h 05",
  ]);
  expect(spent(since, "2026-11-26T19:00")).toBe("0 min");
});

test("a wait is counted down, and measures are read out", () => {
  expect([43_080, 3599, 61, 0, -5].map(remaining)).toEqual(["11 h 58 min", "59:59", "1:01", "over", "over"]);
  expect(spoken("3: 14 3/8 in")).toBe("3: 14 and 3 over 8 inches");
  expect(spoken("Take board 120 mm × 21 mm.")).toBe("Take board 120 millimetres by 21 millimetres.");
});

test("the clock of a rack runs from the first coming to the bench until the going, heard or not", () => {
  const say = (item: string): Tick => ({ id: item, item, at: "2026-11-28T19:00" });
  expect(runningSince(null, [])).toBeNull();
  expect(runningSince(null, [say("clock")])).toBe("2026-11-28T19:00");
  expect(runningSince("2026-11-28T18:00", [say("clock"), say("mark:0")])).toBe("2026-11-28T18:00");
  expect(runningSince("2026-11-28T18:00", [say("clock|2026-11-28T18:00")])).toBeNull();
});

test("after a step comes the next that all is done for, or what was left behind", () => {
  const step = (key: string, done: boolean, ...before: string[]) =>
    ({
      key,
      done: done ? "2026-11-28T19:00" : null,
      before: before.map((one) => ({ key: one })),
    }) as unknown as Task;
  const tasks = [
    step("mark", true),
    step("plug", false),
    step("tips", false),
    step("sand", false, "plug"),
    step("buy", false),
  ];
  expect(nextOf(tasks, 1)).toBe(2);
  expect(nextOf(tasks, 2)).toBe(4);
  expect(nextOf(tasks, 4)).toBe(1);
  expect(nextOf([step("mark", false)], 0)).toBe(-1);
});
