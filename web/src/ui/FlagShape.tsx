import type { Finding } from "../api/types";
import { t } from "../messages";

const SHAPES = {
  stop: "M0 -11 L11 0 L0 11 L-11 0 Z",
  care: "M0 -11 L11.5 9 L-11.5 9 Z",
  note: "M-9 -9 H9 V9 H-9 Z",
};
export const SEVERITIES = { stop: t("ui.must-fix"), care: t("ui.check"), note: t("ui.note") };

/** A finding's number in a shape that says how grave it is: never by colour alone. Draw it inside an svg. */
export function FlagShape({ severity, number }: { severity: Finding["severity"]; number: number }) {
  return (
    <g>
      <title>{t("ui.note-2", { WORDS: SEVERITIES[severity], number })}</title>
      <path
        d={SHAPES[severity]}
        strokeWidth={1.6}
        className={
          {
            stop: "fill-stop-bg stroke-stop",
            care: "fill-care-bg stroke-care",
            note: "fill-note-bg stroke-note",
          }[severity]
        }
      />
      <text
        y={severity === "care" ? 6.5 : 4}
        textAnchor="middle"
        className={`hand text-reading font-bold ${{ stop: "fill-stop", care: "fill-care", note: "fill-note" }[severity]}`}
      >
        {number}
      </text>
    </g>
  );
}
