import type { Task } from "../../api/types";

const WIDE = 420;
const TALL = 72;
const WOOD = { top: 14, tall: 44 };

interface Props {
  lines: Task["lines"];
  board: Extract<Task["picture"], { kind: "marked" }>;
}

/** The board with its marks as they come: those that are pencilled, the next one, and the rest. */
export function MarkedBoard({ lines, board: { long, at } }: Props) {
  const next = lines.findIndex((line) => !line.done);
  const x = (mm: number) => 4 + (mm / long) * (WIDE - 8);
  const here = at[next];
  return (
    <svg viewBox={`0 0 ${WIDE} ${TALL}`} className="mt-2 block w-full" aria-hidden>
      <rect
        x={4}
        y={WOOD.top}
        width={WIDE - 8}
        height={WOOD.tall}
        className="fill-wood stroke-ink"
        strokeWidth={2}
      />
      <path d={`M4 ${WOOD.top} l9 0 l-9 9 z`} className="fill-mark" />
      {here !== undefined && (
        <path d={`M4 ${WOOD.top - 5} H${x(here)}`} className="stroke-mark" strokeWidth={2.5} fill="none" />
      )}
      {at.map((mm, index) => (
        <line
          key={index}
          x1={x(mm)}
          x2={x(mm)}
          y1={index === next ? WOOD.top - 10 : WOOD.top + 8}
          y2={WOOD.top + WOOD.tall + (index === next ? 10 : -8)}
          className={index === next || !lines[index]?.done ? "stroke-mark" : "stroke-soft"}
          strokeWidth={index === next ? 4 : 1.6}
          strokeDasharray={index === next || lines[index]?.done ? undefined : "3 3"}
        />
      ))}
    </svg>
  );
}
