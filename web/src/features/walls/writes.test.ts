import { afterEach, beforeEach, expect, test, vi } from "vitest";

import { api, OfflineError, ProblemError } from "../../api/client";
import { queries } from "../../api/queries";
import type { Wall } from "../../api/types";
import { UnsentStore } from "../../api/unsent";
import { browser } from "../../testing";
import { SurveyWrites } from "./writes";

const wall = (version: number, survey: object, name = "Porch") =>
  ({ id: "w", version, name, design: { survey: { obstacles: [], ...survey } } }) as unknown as Wall;
const stale = () =>
  new ProblemError({ type: "/problems/stale", title: "", status: 409, detail: "no", errors: [] });
const high = { height: "2.6 m" };

let home: ReturnType<typeof browser>;
let shown: Wall;
const opened = () =>
  new SurveyWrites(
    "w",
    { get: () => shown, put: (stored) => (shown = stored) },
    new UnsentStore("wall-w", home.storage, home.locks),
  );

beforeEach(() => {
  home = browser();
  shown = wall(1, { skirting: "70 mm" });
});
afterEach(() => {
  queries.clear();
  vi.restoreAllMocks();
  vi.useRealTimers();
});

test("what two windows changed of a wall is both there; where it is the same, it is asked again", async () => {
  const newest = wall(4, { skirting: "90 mm" });
  vi.spyOn(api, "wall").mockResolvedValue(newest);
  const change = vi.spyOn(api, "changeWall").mockRejectedValueOnce(stale());
  change.mockImplementation((_, base, patch) =>
    Promise.resolve(wall(base + 1, { skirting: "90 mm", ...patch })),
  );
  const writes = opened();
  expect(await writes.change(high)).toBeNull();
  expect(change.mock.calls.map(([, base, patch]) => [base, patch])).toEqual([
    [1, high],
    [4, high],
  ]);
  expect(shown).toMatchObject({ version: 5, design: { survey: { skirting: "90 mm", ...high } } });

  vi.mocked(api.wall).mockResolvedValue(wall(6, { skirting: "100 mm" }));
  change.mockRejectedValueOnce(stale());
  expect(await writes.change({ skirting: "80 mm" })).toContain("another window too");
  expect(shown.version).toBe(6);
  expect(change).toHaveBeenCalledTimes(3);
  // What stands in a list is not taken for what has its place by now.
  const first = (stored: Wall) => ({ obstacles: stored.design.survey.obstacles.slice(1) });
  vi.mocked(api.wall).mockResolvedValue(wall(7, { skirting: "100 mm", obstacles: [{ kind: "door" }] }));
  change.mockRejectedValueOnce(stale());
  expect(await writes.change(first)).toContain("another window too");
});

test("what was measured while the server was away outlives the window, all of it and in its order", async () => {
  vi.useFakeTimers();
  const change = vi.spyOn(api, "changeWall").mockRejectedValue(new OfflineError("away"));
  const writes = opened();
  for (const kind of ["door", "window"])
    void writes.change(({ design: { survey } }) => ({ obstacles: [...survey.obstacles, { kind }] }));
  void writes.rename("Inner porch");
  await vi.advanceTimersByTimeAsync(10);
  expect(writes.store.getState()).toMatchObject({ away: true });
  const key = change.mock.calls[0]?.[3];

  home.close();
  const rename = vi
    .spyOn(api, "renameWall")
    .mockImplementation((_, base) => Promise.resolve(wall(base + 1, {})));
  change.mockReset().mockImplementation((_, base, patch) => Promise.resolve(wall(base + 1, patch)));
  const again = opened();
  await again.resume();
  await vi.advanceTimersByTimeAsync(10);
  expect(change.mock.calls.map(([, base, patch]) => [base, patch])).toEqual([
    [1, { obstacles: [{ kind: "door" }] }],
    [2, { obstacles: [{ kind: "door" }, { kind: "window" }] }],
  ]);
  expect(change.mock.calls[0]?.[3]).toBe(key);
  expect(rename.mock.calls[0]?.slice(1, 3)).toEqual([3, "Inner porch"]);
  expect(again.store.getState()).toEqual({ trouble: null, away: false });
});

test("what was left twice is still held against the survey that it was made from", async () => {
  vi.useFakeTimers();
  const change = vi.spyOn(api, "changeWall").mockRejectedValue(new OfflineError("away"));
  void opened().change({ skirting: "80 mm" });
  for (const version of [1, 4]) {
    await vi.advanceTimersByTimeAsync(10);
    home.close();
    shown = wall(version, { skirting: version === 1 ? "70 mm" : "90 mm" });
    await opened().resume();
  }
  await vi.advanceTimersByTimeAsync(10);
  home.close();
  vi.spyOn(api, "wall").mockResolvedValue(shown);
  change.mockRejectedValue(stale());
  const last = opened();
  await last.resume();
  await vi.advanceTimersByTimeAsync(10);
  expect(change.mock.lastCall?.[1]).toBe(1);
  expect(last.store.getState().trouble).toContain("another window too");
});

test("what the server would not read when it is back is said at its field, and it is away no more", async () => {
  vi.useFakeTimers();
  vi.spyOn(api, "changeWall")
    .mockRejectedValueOnce(new OfflineError("away"))
    .mockRejectedValue(
      new ProblemError({
        type: "/problems/unreadable",
        title: "",
        status: 422,
        detail: "",
        errors: [{ field: "height", message: "“tall” is no length" }],
      }),
    );
  const writes = opened();
  const said = writes.change({ height: "tall" });
  await vi.advanceTimersByTimeAsync(10);
  expect(writes.store.getState().away).toBe(true);
  await vi.advanceTimersByTimeAsync(2100);
  expect(await said).toBe("“tall” is no length");
  expect(writes.store.getState()).toEqual({ trouble: null, away: false });
});
