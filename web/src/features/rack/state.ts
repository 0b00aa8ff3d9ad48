import type { Design, Rack } from "../../api/types";

export type Standing = "saved" | "saving" | "offline" | "stale";

/** Mark `mark` of the first row, at `x` mm from the datum. */
export interface Hand {
  mark: number;
  x: number;
}

export interface OpenSlip {
  key: string;
  kept: boolean;
}

/** What the page shows. What did not change from one state to the next keeps its identity. */
export interface Shown {
  rack: Rack;
  /** The stored design, or the one being tried. */
  design: Design;
  standing: Standing;
  /** Writes that were not answered yet; of a stale window, whether it has changes of its own. */
  waiting: number;
  /** The last that happened to it at the bench or in the log; null until it was looked for. */
  facts: number | null;
  /** What went wrong with a change that no field asked for. */
  trouble: string | null;
  /** Something is being dragged. */
  held: boolean;
  /** The holder in hand, where its row is not worked out yet. */
  hand: Hand | null;
  /** The workings that lie open. */
  slips: OpenSlip[];
}
