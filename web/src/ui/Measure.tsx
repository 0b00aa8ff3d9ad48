import type { ReactNode } from "react";

/** A fraction that stands alone: not part of a ratio of more numbers, a decimal or a date. */
const FRACTION = /(?<![\d./,])(\d+\/\d+)(?![\d/])/;

const inText = (fraction: string, index: number) => (
  <span key={index} className="frac">
    {fraction}
  </span>
);
const inDrawing = (fraction: string, index: number) => (
  <tspan key={index} className="frac">
    {fraction}
  </tspan>
);

function set(text: string, fraction: (text: string, index: number) => ReactNode): ReactNode[] {
  // Whole inches and their fraction stay on one line.
  return text
    .split(FRACTION)
    .map((part, index) => (index % 2 ? fraction(part, index) : part.replace(/(?<=\d) $/, "\u00a0")));
}

/** Text with its lengths' fractions set as real ones, `6 3/8 in`; in a `drawn` text they are spans of SVG. */
export function Measure({ text, drawn = false }: { text: string; drawn?: boolean }) {
  const parts = set(text, drawn ? inDrawing : inText);
  return parts.length === 1 || drawn ? parts : <span>{parts}</span>;
}
