import createClient from "openapi-fetch";

import { deviceName, newKey } from "./key";
import type { paths } from "./schema";
import type {
  Brief,
  EntryText,
  Moved,
  NewRack,
  Patch,
  Problem,
  Refiling,
  Settings,
  SettingsView,
  Start,
  Shop,
  StickText,
  Tick,
} from "./types";
import { t } from "../messages";

/** The server answered that it cannot: `problem` says why and which field. */
export class ProblemError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

/** What went wrong, as it is said where nobody typed anything. */
export const reasonOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));

/** What was wrong with what was typed, without the names of fields: it is shown where it was typed. */
export function saidOf(error: unknown): string {
  const problems = error instanceof ProblemError ? (error.problem.errors ?? []) : [];
  return problems.map(({ message }) => message).join(" ") || reasonOf(error);
}

/** What was wrong, by the field it was typed in; at `field` where none is named. */
export function errorsOf(error: unknown, field: string): Record<string, string> {
  const problems = error instanceof ProblemError ? (error.problem.errors ?? []) : [];
  return problems.length
    ? Object.fromEntries(problems.map(({ field, message }) => [field, message]))
    : { [field]: reasonOf(error) };
}

/** The server did not answer. */
export class OfflineError extends Error {}

/** One request; a write that nobody gave a key has one of its own, so that it is made once. */
async function sent(request: Request): Promise<Response> {
  if (request.method !== "GET" && !request.headers.has(KEY)) request.headers.set(KEY, newKey());
  try {
    return await fetch(request);
  } catch (error) {
    if (request.signal.aborted) throw error;
    throw new OfflineError(t("api.yardcliff-does-not-answer-still-running"));
  }
}

const KEY = "idempotency-key";
const http = createClient<paths>({ fetch: sent });

type Answer<Data> = { data: Data; response: Response } | { error: unknown; response: Response };

/** What was answered. Throws `ProblemError` for what cannot be done. */
async function got<Data>(answer: Promise<Answer<Data>>): Promise<Data> {
  const answered = await answer;
  if ("data" in answered) return answered.data;
  throw new ProblemError(problemOf(answered.error, answered.response.status));
}

function problemOf(error: unknown, status: number): Problem {
  if (isProblem(error)) return error;
  return {
    type: "",
    title: t("api.error"),
    status,
    detail: t("api.the-server-answered", { status }),
    errors: [],
  };
}

const isProblem = (error: unknown): error is Problem =>
  typeof error === "object" && error !== null && "detail" in error && "status" in error;

/** Makes a write the same write when it is sent again. */
const keyed = (key: string | undefined) => (key === undefined ? {} : { headers: { [KEY]: key } });
const ofRack = (rack_id: string) => ({ path: { rack_id } });
const ofWall = (wall_id: string) => ({ path: { wall_id } });
const AS_CSV = { bodySerializer: (text: string) => text, headers: { "content-type": "text/csv" } };
const AS_ZIP = { bodySerializer: (file: unknown) => file, headers: { "content-type": "application/zip" } };
type Unit = "in" | "mm";

/** The time on the workshop's wall, to the minute: the server knows neither zone nor clock of it. */
export const wallTime = (at = new Date()) =>
  new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);

export const api = {
  settings: () => got(http.GET("/api/settings")),
  keepSettings: (body: Settings) => got(http.PUT("/api/settings", { body })),
  catalogue: (trade?: SettingsView["trade"]) =>
    got(http.GET("/api/catalogue", { params: { query: trade ? { trade } : {} } })),
  racks: () => got(http.GET("/api/racks")),
  bin: () => got(http.GET("/api/racks", { params: { query: { bin: true } } })),
  rack: (id: string) => got(http.GET("/api/racks/{rack_id}", { params: ofRack(id) })),
  drawn: (id: string) => got(http.GET("/api/racks/{rack_id}/drawn", { params: ofRack(id) })),
  version: (id: string) => got(http.GET("/api/racks/{rack_id}/version", { params: ofRack(id) })),
  standing: (id: string, signal: AbortSignal) =>
    got(http.GET("/api/racks/{rack_id}/standing", { params: ofRack(id), signal })),
  holes: (id: string, signal: AbortSignal) =>
    got(http.GET("/api/racks/{rack_id}/holes", { params: ofRack(id), signal })),
  walls: () => got(http.GET("/api/walls")),
  binnedWalls: () => got(http.GET("/api/walls", { params: { query: { bin: true } } })),
  wallsFor: (id: string) => got(http.GET("/api/walls/for/{rack_id}", { params: ofRack(id) })),
  wall: (id: string) => got(http.GET("/api/walls/{wall_id}", { params: ofWall(id) })),
  makeWall: (name: string, by: Pick<Settings, "trade" | "tape"> = {}) =>
    got(http.POST("/api/walls", { body: { name, ...by } })),
  changeWall: (id: string, base: number, patch: Patch, key: string) =>
    got(http.PATCH("/api/walls/{wall_id}", { params: ofWall(id), body: { base, patch }, ...keyed(key) })),
  renameWall: (id: string, base: number, name: string, key: string) =>
    got(http.PUT("/api/walls/{wall_id}/name", { params: ofWall(id), body: { base, name }, ...keyed(key) })),
  wallHistory: (id: string) => got(http.GET("/api/walls/{wall_id}/history", { params: ofWall(id) })),
  undoWall: (id: string, base: number, key: string, steps = 1) =>
    got(http.POST("/api/walls/{wall_id}/undo", { params: ofWall(id), body: { base, steps }, ...keyed(key) })),
  redoWall: (id: string, base: number, key: string, steps = 1) =>
    got(http.POST("/api/walls/{wall_id}/redo", { params: ofWall(id), body: { base, steps }, ...keyed(key) })),
  removeWall: (id: string) => got(http.DELETE("/api/walls/{wall_id}", { params: ofWall(id) })),
  restoreWall: (id: string) => got(http.POST("/api/walls/{wall_id}/restore", { params: ofWall(id) })),
  start: (asked: Start) => got(http.POST("/api/start", { body: asked })),
  make: (asked: NewRack) => got(http.POST("/api/racks", { body: asked })),
  open: (file: Record<string, unknown>) => got(http.POST("/api/racks/open", { body: file })),
  /** Under its key, or as a new thing where that is null. */
  keepItem: (key: string | null, columns: Record<string, string>, unit: Unit) =>
    key === null
      ? got(http.POST("/api/items", { body: { columns, unit } }))
      : got(http.PUT("/api/items/{key}", { params: { path: { key } }, body: { columns, unit } })),
  findItems: (text: string) => got(http.GET("/api/items/find", { params: { query: { text } } })),
  forgetItem: (key: string) => got(http.DELETE("/api/items/{key}", { params: { path: { key } } })),
  updateRacks: (key: string) => got(http.POST("/api/items/{key}/racks", { params: { path: { key } } })),
  importItems: (text: string, unit: Unit, take: boolean) =>
    got(http.POST("/api/items/import", { params: { query: { unit, take } }, body: text, ...AS_CSV })),
  most: (brief: Brief, width: string) => got(http.POST("/api/most", { body: { brief, width } })),
  checkMarks: (brief: Brief, text: string) => got(http.POST("/api/check", { body: { brief, text } })),
  reorder: (brief: Brief, aim: "length" | "pitch", signal: AbortSignal) =>
    got(http.POST("/api/reorder", { body: { brief, aim }, signal })),
  change: (id: string, base: number, patch: Patch, key?: string) =>
    got(http.PATCH("/api/racks/{rack_id}", { params: ofRack(id), body: { base, patch }, ...keyed(key) })),
  rename: (id: string, base: number, name: string, key?: string) =>
    got(http.PUT("/api/racks/{rack_id}/name", { params: ofRack(id), body: { base, name }, ...keyed(key) })),
  history: (id: string) => got(http.GET("/api/racks/{rack_id}/history", { params: ofRack(id) })),
  undo: (id: string, base: number, key?: string, steps = 1) =>
    got(http.POST("/api/racks/{rack_id}/undo", { params: ofRack(id), body: { base, steps }, ...keyed(key) })),
  redo: (id: string, base: number, key?: string, steps = 1) =>
    got(http.POST("/api/racks/{rack_id}/redo", { params: ofRack(id), body: { base, steps }, ...keyed(key) })),
  copy: (id: string, own: { brief?: Brief; patch?: Patch } = {}) =>
    got(http.POST("/api/racks/{rack_id}/copy", { params: ofRack(id), body: own })),
  jig: (id: string, holes: number) =>
    got(http.GET("/api/racks/{rack_id}/aids/jig", { params: { ...ofRack(id), query: { holes } } })),
  family: (id: string, fewest: number, most: number) =>
    got(http.GET("/api/racks/{rack_id}/aids/family", { params: { ...ofRack(id), query: { fewest, most } } })),
  versions: (id: string) => got(http.GET("/api/racks/{rack_id}/versions", { params: ofRack(id) })),
  keepVersion: (id: string, name: string) =>
    got(http.POST("/api/racks/{rack_id}/versions", { params: ofRack(id), body: { name } })),
  takeVersion: (rack_id: string, version_id: string, base: number) =>
    got(
      http.POST("/api/racks/{rack_id}/versions/{version_id}/take", {
        params: { path: { rack_id, version_id } },
        body: { base },
      }),
    ),
  forgetVersion: (rack_id: string, version_id: string) =>
    got(
      http.DELETE("/api/racks/{rack_id}/versions/{version_id}", {
        params: { path: { rack_id, version_id } },
      }),
    ),
  restoreVersion: (rack_id: string, version_id: string) =>
    got(
      http.POST("/api/racks/{rack_id}/versions/{version_id}/restore", {
        params: { path: { rack_id, version_id } },
      }),
    ),
  compare: (id: string, versions: string[]) =>
    got(
      http.GET("/api/racks/{rack_id}/versions/compare", {
        params: { ...ofRack(id), query: { id: versions } },
      }),
    ),
  timber: (id: string, signal: AbortSignal) =>
    got(http.GET("/api/racks/{rack_id}/timber", { params: ofRack(id), signal })).then((timber) => ({
      ...timber,
      rack: id,
    })),
  tryTimber: (id: string, patch: Patch) =>
    got(http.POST("/api/racks/{rack_id}/timber/try", { params: ofRack(id), body: { patch } })),
  ladderCost: (id: string, count: number, signal: AbortSignal) =>
    got(
      http.GET("/api/racks/{rack_id}/timber/ladder", { params: { ...ofRack(id), query: { count } }, signal }),
    ),
  carryOut: (id: string, spent: string | null, after: number) =>
    got(
      http.POST("/api/racks/{rack_id}/timber/done", {
        params: ofRack(id),
        body: { spent, after, now: wallTime() },
      }),
    ),
  takeBackTimber: (rack_id: string, sawing_id: string) =>
    got(
      http.DELETE("/api/racks/{rack_id}/timber/done/{sawing_id}", {
        params: { path: { rack_id, sawing_id } },
      }),
    ),
  making: (id: string, signal: AbortSignal) =>
    got(
      http.GET("/api/racks/{rack_id}/making", {
        params: { ...ofRack(id), query: { now: wallTime() } },
        signal,
      }),
    ),
  deadline: (id: string, by: string) =>
    got(
      http.GET("/api/racks/{rack_id}/making/by", {
        params: { ...ofRack(id), query: { now: wallTime(), by } },
      }),
    ),
  say: (id: string, said: Tick[]) =>
    got(
      http.POST("/api/racks/{rack_id}/making/ticks", {
        params: ofRack(id),
        body: { said, device: deviceName() },
      }),
    ),
  log: (id: string) => got(http.GET("/api/racks/{rack_id}/log", { params: ofRack(id) })),
  writeLog: (id: string, entry: EntryText) =>
    got(http.POST("/api/racks/{rack_id}/log", { params: ofRack(id), body: entry })),
  takeBackEntry: (rack_id: string, entry_id: string) =>
    got(http.DELETE("/api/racks/{rack_id}/log/{entry_id}", { params: { path: { rack_id, entry_id } } })),
  waysOut: (id: string, what: string) =>
    got(
      http.GET("/api/racks/{rack_id}/log/ways", {
        params: { ...ofRack(id), query: { what, now: wallTime() } },
      }),
    ),
  takeWay: (
    id: string,
    base: number,
    { of, way, at }: { of: string; way: string; at: string },
    key: string,
  ) =>
    got(
      http.POST("/api/racks/{rack_id}/log/ways", {
        params: ofRack(id),
        body: { base, what: of, code: way, now: at },
        ...keyed(key),
      }),
    ),
  makeAnother: (id: string) => got(http.POST("/api/racks/{rack_id}/log/another", { params: ofRack(id) })),
  instruments: () => got(http.GET("/api/instruments")),
  phone: (to: string) => got(http.GET("/api/phone", { params: { query: { to } } })),
  allowPhone: (to: string) => got(http.POST("/api/phone", { params: { query: { to } } })),
  shutPhone: () => got(http.DELETE("/api/phone")),
  shop: () => got(http.GET("/api/shop")),
  keepShop: (shop: Shop) => got(http.PUT("/api/shop", { body: shop })),
  stock: () => got(http.GET("/api/timber")),
  addSticks: (stick: StickText) => got(http.POST("/api/timber/sticks", { body: stick })),
  changeStick: (stick_id: string, stick: StickText) =>
    got(http.PUT("/api/timber/sticks/{stick_id}", { params: { path: { stick_id } }, body: stick })),
  takeStick: (stick_id: string) =>
    got(http.DELETE("/api/timber/sticks/{stick_id}", { params: { path: { stick_id } } })),
  putStickBack: (stick_id: string) =>
    got(http.POST("/api/timber/sticks/{stick_id}/restore", { params: { path: { stick_id } } })),
  setWare: (kind: string, name: string, amount: string) =>
    got(http.PUT("/api/timber/wares", { body: { kind, name, amount } })),
  notePrice: (price: { kind: string; name: string; pack: string; price: string }) =>
    got(http.PUT("/api/timber/prices", { body: price })),
  forgetPrices: (supplier: string) =>
    got(http.DELETE("/api/timber/prices/{supplier}", { params: { path: { supplier } } })),
  askYard: () => got(http.POST("/api/timber/yard")),
  importSticks: (text: string, unit: Unit) =>
    got(http.POST("/api/timber/sticks/import", { params: { query: { unit } }, body: text, ...AS_CSV })),
  importPrices: (text: string, unit: Unit) =>
    got(http.POST("/api/timber/prices/import", { params: { query: { unit } }, body: text, ...AS_CSV })),
  /** Keeps racks otherwise; answers what takes just that back. */
  file: (racks: Record<string, Refiling>) => got(http.PATCH("/api/several/filed", { body: { racks } })),
  putInBin: (racks: string[], binned: boolean) =>
    got(http.POST("/api/several/bin", { body: { racks, binned } })),
  hang: (racks: string[], wall: string | null) =>
    got(http.POST("/api/several/wall", { body: { racks, wall } })),
  hangBack: (moved: Moved) => got(http.POST("/api/several/wall/back", { body: moved })),
  openZip: (file: File) => got(http.POST("/api/several/open", { body: file, ...AS_ZIP })),
};

export type Paper = "a4" | "letter";

export const fileUrl = (id: string, kind: string, paper?: Paper) =>
  `/api/racks/${encodeURIComponent(id)}/files/${kind}${paper ? `?paper=${paper}` : ""}`;

export const severalUrl = (file: string, racks: readonly string[], paper?: Paper) =>
  `/api/several/${file}?${new URLSearchParams([...racks.map((id) => ["rack", id]), ...(paper ? [["paper", paper]] : [])]).toString()}`;

export const batchUrl = (asked: string, kind: string) =>
  `/api/timber/batch/files/${kind}?asked=${encodeURIComponent(asked)}`;

export const calendarUrl = (id: string) =>
  `/api/racks/${encodeURIComponent(id)}/making/files/schedule.ics?now=${wallTime()}`;

export const recordUrl = (id: string) => `/api/racks/${encodeURIComponent(id)}/log/files/record.pdf`;

export const timberUrl = (id: string, kind: string) =>
  `/api/racks/${encodeURIComponent(id)}/timber/files/${kind}`;

export const aidUrl = (id: string, file: string) => `/api/racks/${encodeURIComponent(id)}/aids/${file}`;
