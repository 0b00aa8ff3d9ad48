import type { Brief, Design, Patch } from "../../api/types";

/** A change, or how to make it from the design as it is once those before it are stored. */
export type Change = Patch | ((design: Design) => Patch);

/** What may be written to a rack. */
export type Asked =
  | { what: "change"; patch: Patch }
  | { what: "rename"; name: string }
  | { what: "undo" | "redo"; steps?: number }
  | { what: "mend"; of: string; way: string; at: string };
/** A write that was not answered yet. Its `key` makes it the same write whenever it is sent again. */
export type Unsent = Asked & { key: string };

/** What a window has that the server has not: writes in their order, made from a version; or, stale, a brief of its own. */
export interface Waiting {
  version: number;
  brief: Brief;
  writes: Unsent[];
  stale: boolean;
}

/** A write on its way. */
export interface Job {
  write: Unsent;
  /** Makes the patch of a change from what is stored by then. */
  make?: (design: Design) => Patch | null;
  /** Presses of one key that were not sent yet are one write. */
  press?: { of: string; by: number };
  /** What it was made from, where that was another window. */
  from?: Pick<Waiting, "version" | "brief">;
}
