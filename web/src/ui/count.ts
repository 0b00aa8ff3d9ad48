import { t } from "../messages";
const MOST = 1000;

/** A whole number as it is typed, or what is wrong with it. */
export function readCount(text: string, least: number): number | string {
  const count = Number(text);
  return /^\d+$/.test(text) && count >= least && count <= MOST
    ? count
    : t("ui.no-count-write-whole-number-from", { text, least, MOST });
}
