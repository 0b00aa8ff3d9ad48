import type { SettingsView, TapeName } from "../api/types";
import { t } from "../messages";

export type Unit = "mm" | "in";
export type Trade = SettingsView["trade"];

/** Each unit with the steps of its tapes, the usual one first. */
export const STEPS = {
  mm: ["1 mm", "0.5 mm"],
  in: ["1/16 in", "1/8 in", "1/32 in", "1/64 in"],
} as const satisfies Record<Unit, readonly TapeName[]>;

export const unitOf = (tape: TapeName): Unit => (tape.endsWith("in") ? "in" : "mm");

/** What is bought by, and what is measured with: the three that people work in. */
export const MEASURES = {
  metric: { trade: "metric", tape: "1 mm" },
  us: { trade: "us", tape: "1/16 in" },
  both: { trade: "metric", tape: "1/16 in" },
} as const satisfies Record<string, { trade: Trade; tape: TapeName }>;
export type MeasuresKey = keyof typeof MEASURES;

export const measuresOf = (trade: Trade, tape: TapeName): MeasuresKey =>
  trade === "us" ? "us" : unitOf(tape) === "in" ? "both" : "metric";

/** As they are offered, each with what it means. */
export const measuresOffered = () =>
  [
    { value: "metric", label: t("ui.metric"), why: t("ui.sizes-as-sold-in-mm") },
    { value: "us", label: t("ui.us-inches"), why: t("ui.sizes-as-sold-by-the-inch") },
    { value: "both", label: t("ui.metric-inch-tape"), why: t("ui.sold-in-mm-measured-in-inches") },
  ] as const;
