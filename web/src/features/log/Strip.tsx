interface Props {
  long: number;
  found: number | null;
  planned: number[];
  built: (number | null)[];
  small?: boolean;
}

const WIDE = 700;

/** The board on the bench: planned places as open rings, what is drilled as filled holes, the end where it was really cut. */
export function Strip({ long, found, planned, built, small = false }: Props) {
  const tall = small ? 90 : 64;
  const most = Math.max(long, found ?? 0, ...built.map((x) => x ?? 0));
  const x = (mm: number) => 8 + (mm / most) * (WIDE - 16);
  const middle = tall / 2;
  const ring = small ? 14 : 9;
  return (
    <svg viewBox={`0 0 ${WIDE} ${tall}`} className={small ? "block w-full" : "mt-2 block w-full"} aria-hidden>
      <rect
        x={x(0)}
        y={middle - 22}
        width={x(found ?? long) - x(0)}
        height={44}
        className="fill-wood stroke-ink"
        strokeWidth={small ? 4 : 2}
      />
      {found !== null && found !== long && (
        <line
          x1={x(long)}
          x2={x(long)}
          y1={middle - 28}
          y2={middle + 28}
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
        (at, k) => at !== null && <circle key={k} cx={x(at)} cy={middle} r={5} className="fill-ink" />,
      )}
    </svg>
  );
}
