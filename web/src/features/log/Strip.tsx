interface Props {
  long: number;
  found: number | null;
  planned: number[];
  built: (number | null)[];
  look?: keyof typeof LOOKS;
  /** Where the hole is that strays, plugged or not. */
  stray?: number | null;
}

const WIDE = 700;
/** By itself, one of several rows, or a picture beside words. */
const LOOKS = {
  large: { tall: 64, board: 44, ring: 9, line: 2 },
  low: { tall: 36, board: 28, ring: 7, line: 2 },
  small: { tall: 90, board: 44, ring: 14, line: 4 },
};

/** The board on the bench: planned places as open rings, what is drilled as filled holes, the end where it was really cut. */
export function Strip({ long, found, planned, built, look = "large", stray = null }: Props) {
  const { tall, board, ring, line } = LOOKS[look];
  const small = look === "small";
  const most = Math.max(long, found ?? 0, ...built.map((x) => x ?? 0));
  const x = (mm: number) => 8 + (mm / most) * (WIDE - 16);
  const middle = tall / 2;
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${tall}`}
      className={look === "large" ? "mt-2 block w-full" : "block w-full"}
      aria-hidden
    >
      <rect
        x={x(0)}
        y={middle - board / 2}
        width={x(found ?? long) - x(0)}
        height={board}
        className="fill-wood stroke-ink"
        strokeWidth={line}
      />
      {found !== null && found !== long && (
        <line
          x1={x(long)}
          x2={x(long)}
          y1={0}
          y2={tall}
          className="stroke-mark"
          strokeWidth={2}
          strokeDasharray="5 4"
        />
      )}
      {planned.map((at, k) => (
        <circle
          key={k}
          cx={x(at)}
          cy={middle}
          r={ring}
          className={small ? "fill-ink" : "fill-none stroke-mark"}
          strokeWidth={1.8}
        />
      ))}
      {built.map(
        (at, k) => at !== null && <circle key={k} cx={x(at)} cy={middle} r={ring / 2} className="fill-ink" />,
      )}
      {stray !== null && (
        <circle cx={x(stray)} cy={middle} r={ring + 8} className="fill-none stroke-mark" strokeWidth={5} />
      )}
    </svg>
  );
}
