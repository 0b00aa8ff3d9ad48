import type { Finding } from "../../api/types";
import { toScreenX, toScreenY, type View } from "../../drawing/view";
import { FlagShape } from "../../ui/FlagShape";

/** Numbered flags where the findings are: the number stands at the note too. */
export function Flags({ findings, view }: { findings: readonly Finding[]; view: View }) {
  return findings.map((finding, index) =>
    finding.severity === "note" ? null : (
      <g
        key={index}
        className="pointer-events-none"
        transform={`translate(${toScreenX(view, finding.x)} ${toScreenY(view, finding.y) - 2})`}
      >
        <FlagShape severity={finding.severity} number={index + 1} />
      </g>
    ),
  );
}
