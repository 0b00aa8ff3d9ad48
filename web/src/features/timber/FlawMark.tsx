interface Props {
  x0: number;
  x1: number;
  top: number;
  tall: number;
  back: boolean;
}

/** A flaw on a stick, px; one that is on its back is dashed, as what is hidden is. */
export function FlawMark({ x0, x1, top, tall, back }: Props) {
  return (
    <g
      className={`pointer-events-none stroke-care ${back ? "fill-none" : "fill-care-bg"}`}
      strokeWidth={1.3}
      strokeDasharray={back ? "4 3" : undefined}
    >
      <rect x={x0} y={top} width={x1 - x0} height={tall} />
      <path d={`M${x0} ${top + tall} L${x1} ${top}`} />
    </g>
  );
}
