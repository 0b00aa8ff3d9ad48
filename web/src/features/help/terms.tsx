import type { ReactNode } from "react";

import { t } from "../../messages";

export interface Term {
  key: string;
  name: string;
  says: string;
  picture: ReactNode;
}

/** A board seen from the front, `x` from one end to the other. */
const Board = ({ x = [10, 170], y = 30, tall = 16 }: { x?: [number, number]; y?: number; tall?: number }) => (
  <rect x={x[0]} y={y} width={x[1] - x[0]} height={tall} className="fill-wood stroke-ink" strokeWidth={2} />
);
const Peg = ({ x, y = 38 }: { x: number; y?: number }) => (
  <circle cx={x} cy={y} r={3.2} className="fill-sheet stroke-ink" strokeWidth={1.5} />
);
/** What hangs, its middle at `x`. */
const Thing = ({
  x,
  y = 40,
  wide = 34,
  tall = 36,
}: {
  x: number;
  y?: number;
  wide?: number;
  tall?: number;
}) => (
  <path
    d={`M${x - 5} ${y}L${x - wide / 2} ${y + 9}V${y + tall}H${x + wide / 2}V${y + 9}L${x + 5} ${y}Z`}
    className="fill-(--item) stroke-(--item-line)"
    strokeWidth={1.2}
  />
);
/** From here to there, with a tick at each end. */
function Span({ from, to }: { from: [number, number]; to: [number, number] }) {
  const tick = ([x, y]: [number, number]) => `M${x - 3.5} ${y + 3.5}l7 -7`;
  return (
    <path
      d={`M${from.join(" ")}L${to.join(" ")}${tick(from)}${tick(to)}`}
      className="fill-none stroke-mark"
      strokeWidth={1.8}
    />
  );
}
const Wall = () => <path d="M20 8V82" className="stroke-ink" strokeWidth={5} />;
/** A board seen from its end, off the wall. */
const End = ({ x = 26, y = 26, wide = 18, tall = 34 }) => (
  <rect x={x} y={y} width={wide} height={tall} className="fill-wood stroke-ink" strokeWidth={2} />
);
const Hidden = ({ d }: { d: string }) => (
  <path d={d} className="fill-none stroke-ink" strokeDasharray="4 3" strokeWidth={1.4} />
);

/** The words that a picture says best, in the order that they are met. */
export const TERMS: readonly Term[] = [
  {
    key: "gap",
    name: t("help.gap"),
    says: t("help.gap-says"),
    picture: (
      <>
        <Board />
        <Thing x={60} />
        <Thing x={120} />
        <Peg x={60} />
        <Peg x={120} />
        <Span from={[77, 64]} to={[103, 64]} />
      </>
    ),
  },
  {
    key: "overlap",
    name: t("help.overlap"),
    says: t("help.overlap-says"),
    picture: (
      <>
        <Board />
        <Thing x={74} wide={50} />
        <Thing x={106} wide={50} />
        <Peg x={74} />
        <Peg x={106} />
        <Span from={[81, 84]} to={[99, 84]} />
      </>
    ),
  },
  {
    key: "spacing",
    name: t("help.spacing"),
    says: t("help.spacing-says"),
    picture: (
      <>
        <Board />
        {[40, 90, 140].map((x) => (
          <Peg key={x} x={x} />
        ))}
        <Hidden d="M40 20V62M90 20V62M140 20V62" />
        <Span from={[40, 62]} to={[90, 62]} />
        <Span from={[90, 62]} to={[140, 62]} />
      </>
    ),
  },
  {
    key: "end-margin",
    name: t("help.end-margin"),
    says: t("help.end-margin-says"),
    picture: (
      <>
        <Board />
        {[40, 90, 140].map((x) => (
          <Peg key={x} x={x} />
        ))}
        <Span from={[10, 60]} to={[40, 60]} />
        <Span from={[140, 60]} to={[170, 60]} />
      </>
    ),
  },
  {
    key: "even",
    name: t("help.even"),
    says: t("help.even-says"),
    picture: (
      <>
        <Board y={8} tall={10} />
        <Thing x={40} y={15} wide={16} tall={20} />
        <Thing x={90} y={15} wide={46} tall={20} />
        <Thing x={140} y={15} wide={16} tall={20} />
        <Board y={52} tall={10} />
        <Thing x={36} y={59} wide={16} tall={20} />
        <Thing x={90} y={59} wide={46} tall={20} />
        <Thing x={144} y={59} wide={16} tall={20} />
        <Span from={[44, 76]} to={[67, 76]} />
        <Span from={[113, 76]} to={[136, 76]} />
      </>
    ),
  },
  {
    key: "filled",
    name: t("help.filled"),
    says: t("help.filled-says"),
    picture: (
      <>
        <Board />
        {[35, 90, 145].map((x) => (
          <g key={x}>
            <Thing x={x} />
            <path d={`M${x - 17} 84H${x + 17}`} className="stroke-mark" strokeWidth={4} />
          </g>
        ))}
      </>
    ),
  },
  {
    key: "red-corner",
    name: t("help.red-corner"),
    says: t("help.red-corner-says"),
    picture: (
      <>
        <Board y={34} tall={26} />
        <path d="M10 34H24L10 48Z" className="fill-mark" />
        <Peg x={60} y={47} />
        <Peg x={120} y={47} />
        <Span from={[10, 74]} to={[60, 74]} />
        <Span from={[10, 20]} to={[120, 20]} />
      </>
    ),
  },
  {
    key: "stepping-off",
    name: t("help.stepping-off"),
    says: t("help.stepping-off-says"),
    picture: (
      <>
        <Board y={50} />
        {[20, 60, 100].map((x) => (
          <path
            key={x}
            d={`M${x} 50L${x + 20} 14L${x + 40} 50`}
            className="fill-none stroke-ink"
            strokeWidth={1.8}
          />
        ))}
        <path d="M20 46V70M60 46V70M100 46V70M140 46V70" className="stroke-mark" strokeWidth={1.6} />
      </>
    ),
  },
  {
    key: "sticks-out",
    name: t("help.sticks-out"),
    says: t("help.sticks-out-says"),
    picture: (
      <>
        <Wall />
        <End x={26} y={18} wide={34} tall={56} />
        <path d="M42 54L118 34" className="stroke-ink" strokeWidth={13} />
        <path d="M42 54L117 34.3" className="stroke-wood" strokeWidth={9} />
        <Hidden d="M60 44V74" />
        <Span from={[60, 68]} to={[120, 68]} />
      </>
    ),
  },
  {
    key: "wood-left",
    name: t("help.wood-left"),
    says: t("help.wood-left-says"),
    picture: (
      <>
        <End x={40} y={16} wide={70} tall={62} />
        <path d="M110 38H62V54H110" className="fill-paper stroke-ink" strokeWidth={2} />
        <Span from={[40, 46]} to={[62, 46]} />
      </>
    ),
  },
  {
    key: "opening",
    name: t("help.opening"),
    says: t("help.opening-says"),
    picture: (
      <>
        <rect x={20} y={20} width={140} height={44} className="fill-wood stroke-ink" strokeWidth={2} />
        <path d="M76 64V46a14 14 0 0 1 28 0V64" className="fill-paper stroke-ink" strokeWidth={2} />
        <path d="M77 64H103" className="stroke-paper" strokeWidth={4} />
        <Span from={[76, 76]} to={[104, 76]} />
      </>
    ),
  },
  {
    key: "between-rows",
    name: t("help.between-rows"),
    says: t("help.between-rows-says"),
    picture: (
      <>
        <Board x={[10, 150]} y={12} tall={10} />
        <Board x={[10, 150]} y={56} tall={10} />
        {[40, 80, 120].map((x) => (
          <g key={x}>
            <Peg x={x} y={17} />
            <Peg x={x} y={61} />
          </g>
        ))}
        <Span from={[164, 17]} to={[164, 61]} />
      </>
    ),
  },
  {
    key: "lift-off",
    name: t("help.lift-off"),
    says: t("help.lift-off-says"),
    picture: (
      <>
        <Board x={[10, 130]} y={10} tall={12} />
        <Thing x={70} y={42} wide={40} tall={38} />
        <path d="M70 40V28M65 33l5 -6 5 6" className="fill-none stroke-ink" strokeWidth={1.8} />
        <Span from={[146, 22]} to={[146, 42]} />
      </>
    ),
  },
  {
    key: "height",
    name: t("help.height"),
    says: t("help.height-says"),
    picture: (
      <>
        <path d="M6 84H174" className="stroke-ink" strokeWidth={3} />
        <Board x={[40, 140]} y={12} tall={12} />
        <Peg x={70} y={18} />
        <Peg x={110} y={18} />
        <Hidden d="M30 18H150" />
        <Span from={[160, 18]} to={[160, 84]} />
      </>
    ),
  },
  {
    key: "load",
    name: t("help.load"),
    says: t("help.load-says"),
    picture: (
      <>
        <Wall />
        <End />
        <path d="M8 36H40" className="stroke-ink" strokeWidth={3} />
        <path d="M44 42H66" className="stroke-ink" strokeWidth={4} />
        <path d="M62 46V74M56 67l6 8 6 -8" className="fill-none stroke-mark" strokeWidth={2.4} />
        <rect x={96} y={26} width={70} height={10} className="fill-paper stroke-ink" />
        <rect x={96} y={26} width={38} height={10} className="fill-ink" />
      </>
    ),
  },
  {
    key: "cleat",
    name: t("help.cleat"),
    says: t("help.cleat-says"),
    picture: (
      <>
        <Wall />
        <path d="M24 46L44 66V80H24Z" className="fill-wood stroke-ink" strokeWidth={2} />
        <path d="M24 42V22H44V62Z" className="fill-wood stroke-ink" strokeWidth={2} />
        <End x={46} y={12} wide={16} tall={62} />
        <path d="M92 24V60M86 53l6 8 6 -8" className="fill-none stroke-mark" strokeWidth={2.4} />
      </>
    ),
  },
  {
    key: "stud",
    name: t("help.stud"),
    says: t("help.stud-says"),
    picture: (
      <>
        <rect x={6} y={10} width={168} height={72} className="fill-(--wall) stroke-ink" />
        {[36, 90, 144].map((x) => (
          <rect
            key={x}
            x={x - 8}
            y={10}
            width={16}
            height={72}
            className="fill-wood stroke-ink"
            opacity={0.75}
          />
        ))}
        <Span from={[36, 46]} to={[90, 46]} />
      </>
    ),
  },
  {
    key: "kerf",
    name: t("help.kerf"),
    says: t("help.kerf-says"),
    picture: (
      <>
        <Board x={[10, 84]} y={36} tall={22} />
        <Board x={[92, 170]} y={36} tall={22} />
        <path d="M88 12V80" className="stroke-ink" strokeDasharray="3 2" strokeWidth={8} opacity={0.35} />
        <Span from={[84, 76]} to={[92, 76]} />
      </>
    ),
  },
];
