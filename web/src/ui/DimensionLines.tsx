import { memo, useMemo } from "react";

import type { Dimension } from "../api/types";
import { placeDimensions, textWidth, type PlacedDimension } from "../drawing/dimensions";
import { toScreenX, toScreenY, type Size, type View } from "../drawing/view";
import { FingerTarget } from "./FingerTarget";
import { Measure } from "./Measure";
import { t } from "../messages";

interface Props {
  dimensions: readonly Dimension[];
  view: View;
  size: Size;
  /** Those that open, by the keys of their figures. */
  opens?: Record<string, unknown>;
  onOpen?: (figure: string) => void;
}

/** Dimension lines with their figures, of those whose both ends are in the window. */
export const DimensionLines = memo(function DimensionLines({
  dimensions,
  view,
  size,
  opens = {},
  onOpen,
}: Props) {
  const placed = useMemo(() => {
    const seen = dimensions.filter((d) => {
      const along = d.axis === "x" ? toScreenX : toScreenY;
      const limit = d.axis === "x" ? size.width : size.height;
      return [d.start, d.end].every((end) => along(view, end) >= -1 && along(view, end) <= limit + 1);
    });
    return placeDimensions(seen, view);
  }, [dimensions, view, size]);
  const opening = ({ dimension }: PlacedDimension) =>
    onOpen && dimension.figure in opens ? { onOpen: () => onOpen(dimension.figure) } : {};
  return (
    <>
      {placed.map((one, index) => (
        <FingerTarget key={index} x={one.textX} y={one.textY - 5} {...opening(one)} />
      ))}
      {placed.map((one, index) => (
        <Line key={index} placed={one} {...opening(one)} />
      ))}
    </>
  );
});

function Line({ placed, onOpen }: { placed: PlacedDimension; onOpen?: () => void }) {
  const { dimension, from, to, line, feature, side, textX, textY } = placed;
  const upright = dimension.axis === "y";
  const point = (along: number, across: number) => (upright ? `${across} ${along}` : `${along} ${across}`);
  const d = [from, to].map(
    (end) =>
      `M${point(end, feature + side * 5)} L${point(end, line + side * 4)}` +
      `M${point(end - 3.5, line + 3.5)} L${point(end + 3.5, line - 3.5)}`,
  );
  const text = (
    <text
      x={textX}
      y={textY}
      textAnchor="middle"
      // What stands upright may cross a stud's line: the wall's colour around it keeps it readable.
      className={`hand fill-ink text-label ${upright ? "stroke-wall stroke-3 [paint-order:stroke]" : ""}`}
      transform={upright ? `rotate(-90 ${textX} ${textY})` : undefined}
    >
      <Measure drawn text={dimension.text} />
    </text>
  );
  return (
    <g>
      <path
        d={`${d.join("")}M${point(from, line)} L${point(to, line)}`}
        className="fill-none stroke-ink stroke-[0.8]"
      />
      {onOpen ? (
        <g
          role="button"
          tabIndex={0}
          aria-label={t("ui.show-the-working", { text: dimension.text })}
          className="cursor-pointer decoration-dotted hover:underline"
          onClick={onOpen}
          onKeyDown={(event) =>
            (event.key === "Enter" || event.key === " ") && (event.preventDefault(), onOpen())
          }
        >
          <rect
            x={upright ? textX - 14 : textX - textWidth(dimension.text) / 2}
            y={upright ? textY - textWidth(dimension.text) / 2 : textY - 13}
            width={upright ? 18 : textWidth(dimension.text)}
            height={upright ? textWidth(dimension.text) : 17}
            fill="transparent"
          />
          {text}
        </g>
      ) : (
        text
      )}
    </g>
  );
}
