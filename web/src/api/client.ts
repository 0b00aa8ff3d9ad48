import { deviceName, newKey } from "./key";
import type {
  Catalogue,
  Comparison,
  Cost,
  Design,
  EntryText,
  Hang,
  ImportReport,
  Deadline,
  Jig,
  Kept,
  Log,
  Instrument,
  Making,
  Newest,
  MarksCheck,
  Member,
  Most,
  Patch,
  Phone,
  Problem,
  Rack,
  RackSummary,
  Reordered,
  Said,
  Shop,
  ShopSheet,
  HoleTable,
  Standing,
  Stock,
  StickText,
  TapeName,
  Timber,
  TimberFile,
  TriedTimber,
  Used,
  Version,
  Wall,
  WallChoice,
  Way,
  WayOut,
} from "./types";

/** The server answered that it cannot: `problem` says why and which field. */
export class ProblemError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

/** What was wrong with what was typed, without the names of fields: it is shown where it was typed. */
export function saidOf(error: unknown): string {
  const problems = error instanceof ProblemError ? (error.problem.errors ?? []) : [];
  return problems.map(({ message }) => message).join(" ") || (error as Error).message;
}

/** What was wrong, by the field it was typed in; at `field` where none is named. */
export function errorsOf(error: unknown, field: string): Record<string, string> {
  const problems = error instanceof ProblemError ? (error.problem.errors ?? []) : [];
  return problems.length
    ? Object.fromEntries(problems.map(({ field, message }) => [field, message]))
    : { [field]: (error as Error).message };
}

/** The server did not answer. */
export class OfflineError extends Error {}

interface Asked {
  /** What makes a write the same write when it is sent again; each has its own if none is given. */
  key?: string;
  /** Ends the question, and the work that it causes. */
  signal?: AbortSignal;
}

async function call<T>(method: string, path: string, body?: unknown, asked: Asked = {}): Promise<T> {
  let response: Response;
  const csv = typeof body === "string";
  try {
    response = await fetch(`/api${path}`, {
      method,
      headers: {
        ...(body !== undefined && { "content-type": csv ? "text/csv" : "application/json" }),
        ...(method !== "GET" && { "idempotency-key": asked.key ?? newKey() }),
      },
      ...(body !== undefined && { body: csv ? body : JSON.stringify(body) }),
      ...(asked.signal && { signal: asked.signal }),
    });
  } catch (error) {
    if (asked.signal?.aborted) throw error;
    throw new OfflineError("Yardcliff does not answer. Is it still running?");
  }
  if (!response.ok) throw new ProblemError(await readProblem(response));
  return (response.status === 204 ? undefined : await response.json()) as T;
}

async function readProblem(response: Response): Promise<Problem> {
  try {
    return (await response.json()) as Problem;
  } catch {
    const detail = `The server answered ${response.status}.`;
    return { type: "", title: "Error", status: response.status, detail, errors: [] };
  }
}

const rack = (id: string) => `/racks/${encodeURIComponent(id)}`;
const wall = (id: string) => `/walls/${encodeURIComponent(id)}`;

/** The time on the workshop's wall, to the minute: the server knows neither zone nor clock of it. */
export const wallTime = (at = new Date()) =>
  new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);

export const api = {
  catalogue: () => call<Catalogue>("GET", "/catalogue"),
  racks: () => call<RackSummary[]>("GET", "/racks"),
  bin: () => call<RackSummary[]>("GET", "/racks?bin=true"),
  rack: (id: string) => call<Rack>("GET", rack(id)),
  version: (id: string) => call<Newest>("GET", `${rack(id)}/version`),
  standing: (id: string, signal: AbortSignal) =>
    call<Standing | null>("GET", `${rack(id)}/standing`, undefined, { signal }),
  holes: (id: string, signal: AbortSignal) =>
    call<HoleTable[]>("GET", `${rack(id)}/holes`, undefined, { signal }),
  walls: () => call<Wall[]>("GET", "/walls"),
  binnedWalls: () => call<Wall[]>("GET", "/walls?bin=true"),
  wallsFor: (id: string) => call<WallChoice[]>("GET", `/walls/for/${encodeURIComponent(id)}`),
  wall: (id: string) => call<Wall>("GET", wall(id)),
  makeWall: (name: string, tape: TapeName) => call<Wall>("POST", "/walls", { name, tape }),
  changeWall: (id: string, base: number, patch: Patch, key: string) =>
    call<Wall>("PATCH", wall(id), { base, patch }, { key }),
  renameWall: (id: string, base: number, name: string, key: string) =>
    call<Wall>("PUT", `${wall(id)}/name`, { base, name }, { key }),
  undoWall: (id: string, base: number, key: string) =>
    call<Wall>("POST", `${wall(id)}/undo`, { base }, { key }),
  redoWall: (id: string, base: number, key: string) =>
    call<Wall>("POST", `${wall(id)}/redo`, { base }, { key }),
  removeWall: (id: string) => call<undefined>("DELETE", wall(id)),
  restoreWall: (id: string) => call<Wall>("POST", `${wall(id)}/restore`),
  start: (hangs: Hang[], tape: TapeName, wall: string | null) =>
    call<Way[]>("POST", "/start", { hangs, tape, wall }),
  make: (hangs: Hang[], tape: TapeName, family: string | null, wall: string | null) =>
    call<Rack>("POST", "/racks", { hangs, tape, family, wall }),
  open: (file: unknown) => call<Rack>("POST", "/racks/open", file),
  /** Under its key, or as a new thing where that is null. */
  keepItem: (key: string | null, columns: Record<string, string>, unit: "in" | "mm") =>
    key === null
      ? call<Kept>("POST", "/items", { columns, unit })
      : call<Kept>("PUT", `/items/${encodeURIComponent(key)}`, { columns, unit }),
  forgetItem: (key: string) => call<undefined>("DELETE", `/items/${encodeURIComponent(key)}`),
  updateRacks: (key: string) => call<Used[]>("POST", `/items/${encodeURIComponent(key)}/racks`),
  importItems: (text: string, unit: "in" | "mm", take: boolean) =>
    call<ImportReport>("POST", `/items/import?${new URLSearchParams({ unit, take: String(take) })}`, text),
  most: (brief: Design["brief"], width: string) => call<Most>("POST", "/most", { brief, width }),
  checkMarks: (brief: Design["brief"], text: string) => call<MarksCheck>("POST", "/check", { brief, text }),
  reorder: (brief: Design["brief"], aim: "length" | "pitch", signal: AbortSignal) =>
    call<Reordered>("POST", "/reorder", { brief, aim }, { signal }),
  change: (id: string, base: number, patch: Patch, key?: string) =>
    call<Rack>("PATCH", rack(id), { base, patch }, { ...(key && { key }) }),
  rename: (id: string, base: number, name: string, key?: string) =>
    call<Rack>("PUT", `${rack(id)}/name`, { base, name }, { ...(key && { key }) }),
  undo: (id: string, base: number, key?: string) =>
    call<Rack>("POST", `${rack(id)}/undo`, { base }, { ...(key && { key }) }),
  redo: (id: string, base: number, key?: string) =>
    call<Rack>("POST", `${rack(id)}/redo`, { base }, { ...(key && { key }) }),
  copy: (id: string, own: { brief?: Design["brief"]; patch?: Patch } = {}) =>
    call<Rack>("POST", `${rack(id)}/copy`, own),
  jig: (id: string, holes: number) => call<Jig>("GET", `${rack(id)}/aids/jig?holes=${holes}`),
  family: (id: string, fewest: number, most: number) =>
    call<Member[]>("GET", `${rack(id)}/aids/family?fewest=${fewest}&most=${most}`),
  versions: (id: string) => call<Version[]>("GET", `${rack(id)}/versions`),
  keepVersion: (id: string, name: string) => call<Version[]>("POST", `${rack(id)}/versions`, { name }),
  takeVersion: (id: string, version: string, base: number) =>
    call<Rack>("POST", `${rack(id)}/versions/${version}/take`, { base }),
  forgetVersion: (id: string, version: string) =>
    call<undefined>("DELETE", `${rack(id)}/versions/${version}`),
  restoreVersion: (id: string, version: string) =>
    call<undefined>("POST", `${rack(id)}/versions/${version}/restore`),
  compare: (id: string, versions: string[]) =>
    call<Comparison>("GET", `${rack(id)}/versions/compare?${versions.map((one) => `id=${one}`).join("&")}`),
  timber: (id: string, signal: AbortSignal) =>
    call<Timber>("GET", `${rack(id)}/timber`, undefined, { signal }).then((timber) => ({
      ...timber,
      rack: id,
    })),
  tryTimber: (id: string, patch: Patch) => call<TriedTimber>("POST", `${rack(id)}/timber/try`, { patch }),
  ladderCost: (id: string, count: number, signal: AbortSignal) =>
    call<Cost[]>("GET", `${rack(id)}/timber/ladder?count=${count}`, undefined, { signal }),
  carryOut: (id: string, spent: string | null, after: number) =>
    call<Timber>("POST", `${rack(id)}/timber/done`, { spent, after, now: wallTime() }),
  takeBackTimber: (id: string, sawing: string) => call<Timber>("DELETE", `${rack(id)}/timber/done/${sawing}`),
  making: (id: string, signal: AbortSignal) =>
    call<Making>("GET", `${rack(id)}/making?now=${wallTime()}`, undefined, { signal }),
  deadline: (id: string, by: string) =>
    call<Deadline>("GET", `${rack(id)}/making/by?${new URLSearchParams({ now: wallTime(), by })}`),
  say: (id: string, said: Said[]) =>
    call<undefined>("POST", `${rack(id)}/making/ticks`, { said, device: deviceName() }),
  log: (id: string) => call<Log>("GET", `${rack(id)}/log`),
  writeLog: (id: string, entry: EntryText) => call<Log>("POST", `${rack(id)}/log`, entry),
  takeBackEntry: (id: string, entry: string) => call<Log>("DELETE", `${rack(id)}/log/${entry}`),
  waysOut: (id: string, what: string) =>
    call<WayOut[]>("GET", `${rack(id)}/log/ways?${new URLSearchParams({ what, now: wallTime() })}`),
  takeWay: (
    id: string,
    base: number,
    { of, way, at }: { of: string; way: string; at: string },
    key: string,
  ) => call<Rack>("POST", `${rack(id)}/log/ways`, { base, what: of, code: way, now: at }, { key }),
  makeAnother: (id: string) => call<Rack>("POST", `${rack(id)}/log/another`),
  instruments: () => call<Instrument[]>("GET", "/instruments"),
  phone: (to: string) => call<Phone>("GET", `/phone?${new URLSearchParams({ to })}`),
  allowPhone: (to: string) => call<Phone>("POST", `/phone?${new URLSearchParams({ to })}`),
  shutPhone: () => call<Phone>("DELETE", "/phone"),
  shop: () => call<ShopSheet>("GET", "/shop"),
  keepShop: (shop: Shop) => call<ShopSheet>("PUT", "/shop", shop),
  stock: () => call<Stock>("GET", "/timber"),
  addSticks: (stick: StickText) => call<Stock>("POST", "/timber/sticks", stick),
  changeStick: (id: string, stick: StickText) => call<Stock>("PUT", `/timber/sticks/${id}`, stick),
  takeStick: (id: string) => call<Stock>("DELETE", `/timber/sticks/${id}`),
  putStickBack: (id: string) => call<Stock>("POST", `/timber/sticks/${id}/restore`),
  setWare: (kind: string, name: string, amount: number) =>
    call<Stock>("PUT", "/timber/wares", { kind, name, amount }),
  notePrice: (price: { kind: string; name: string; pack: string; price: string }) =>
    call<Stock>("PUT", "/timber/prices", price),
  forgetPrices: (supplier: string) => call<Stock>("DELETE", `/timber/prices/${encodeURIComponent(supplier)}`),
  askYard: () => call<Stock>("POST", "/timber/yard"),
  importSticks: (text: string, unit: "in" | "mm") =>
    call<TimberFile>("POST", `/timber/sticks/import?unit=${unit}`, text),
  importPrices: (text: string, unit: "in" | "mm") =>
    call<TimberFile>("POST", `/timber/prices/import?unit=${unit}`, text),
  remove: (id: string) => call<undefined>("DELETE", rack(id)),
  restore: (id: string) => call<Rack>("POST", `${rack(id)}/restore`),
};

export type Paper = "a4" | "letter";

export const fileUrl = (id: string, kind: string, paper?: Paper) =>
  `/api${rack(id)}/files/${kind}${paper ? `?paper=${paper}` : ""}`;

export const batchUrl = (asked: string, kind: string) =>
  `/api/timber/batch/files/${kind}?asked=${encodeURIComponent(asked)}`;

export const calendarUrl = (id: string) => `/api${rack(id)}/making/files/schedule.ics?now=${wallTime()}`;

export const recordUrl = (id: string) => `/api${rack(id)}/log/files/record.pdf`;

export const timberUrl = (id: string, kind: string) => `/api${rack(id)}/timber/files/${kind}`;

export const aidUrl = (id: string, file: string) => `/api${rack(id)}/aids/${file}`;
