import { toScreenX, toScreenY, type View } from "../../drawing/view";
import { FlagShape } from "../../ui/FlagShape";
import { useShown } from "./shown";

/** Numbered flags where the findings are: the number stands at the note too. */
export function Flags({ view }: { view: View }) {
  const findings = useShown((shown) => shown.design.findings);
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
