import type { Task } from "../../api/types";
import { Measure } from "../../ui/Measure";
import { t } from "../../messages";

interface Props {
  bite: Extract<Task["picture"], { kind: "bite" }>;
}

const WIDE = 340;
const TALL = 176;
const FACE = 74;
/** The wood is drawn so thick at most, and what is taken out of it so wide, px. */
const MOST = { thick: 76, wide: 84 };
/** Wood that goes on far below the cut ends in a broken line. */
const FAR = 1.7;
const CENTRE = 118;
const EDGE = WIDE - 64;
const BREAK = `q-22 -9 -44.7 0 ${"t-44.7 0 ".repeat(5)}`;

/** The wood in section with its face up, as it lies on the bench, and what the tool takes out of it: a bit with its depth flag. */
export function Bite({ bite }: Props) {
  const radians = (bite.tilt * Math.PI) / 180;
  const down = bite.deep === null ? bite.thick : bite.deep * Math.cos(radians);
  const broken = bite.deep !== null && bite.thick > down * FAR + bite.wide;
  const shown = broken ? down * FAR : bite.thick;
  const scale = Math.min(MOST.thick / shown, MOST.wide / bite.wide);
  // Without a bit there is nothing above the face.
  const top = bite.bit ? 0 : FACE - 8;
  const wide = Math.max(bite.wide * scale, 3);
  const thick = shown * scale;
  const bottom = FACE + thick;
  const deep = (bite.deep ?? bite.thick / Math.cos(radians)) * scale;
  const beyond = bite.deep === null ? 12 : 0;
  const side = CENTRE + wide / 2 + 38 + deep * Math.sin(Math.max(radians, 0));
  return (
    <svg
      viewBox={`0 ${top} ${WIDE} ${TALL - top}`}
      className="block w-full max-w-[38rem]"
      role="img"
      aria-label={t("making.in-section", {
        wide_says: bite.wide_says,
        what: bite.deep_says ? t("making.deep", { deep_says: bite.deep_says }) : t("making.right-through"),
      })}
    >
      <path
        d={`M8 ${bottom} V${FACE} H${EDGE} V${bottom} ${broken ? BREAK : "Z"}`}
        className="fill-wood stroke-ink"
        strokeWidth={1.8}
        strokeLinejoin="round"
      />
      <g transform={`rotate(${-bite.tilt} ${CENTRE} ${FACE})`}>
        <rect
          x={CENTRE - wide / 2}
          y={FACE - (bite.bit ? 0 : 1)}
          width={wide}
          height={deep + beyond}
          className="fill-wall stroke-ink"
          strokeWidth={1.2}
        />
        {bite.deep !== null && (
          <path
            d={`M${CENTRE + wide / 2 + 25} ${FACE} v${deep} m-5 0 h10 m0 ${-deep} h-10`}
            className="fill-none stroke-mark"
            strokeWidth={1.4}
          />
        )}
        {bite.bit && <Bit wide={wide} deep={deep + beyond} flag={bite.deep !== null} />}
      </g>
      {bite.tilt !== 0 && (
        <>
          <path d={`M${CENTRE} ${FACE} V10`} className="fill-none stroke-mark" strokeDasharray="3 3" />
          <text x={CENTRE + 10} y={16} className="hand fill-mark text-label">
            {t("making.off-square", { tilt: bite.tilt })}
          </text>
        </>
      )}
      {bite.deep_says && (
        <text x={side} y={FACE + (down * scale) / 2 + 4} className="hand fill-mark text-label">
          <Measure drawn text={t("making.deep", { deep_says: bite.deep_says })} />
        </text>
      )}
      <text x={CENTRE} y={bottom + 26} textAnchor="middle" className="hand fill-ink text-label">
        <Measure
          drawn
          text={
            bite.bit
              ? t("making.across", { wide_says: bite.wide_says })
              : t("making.wide", { wide_says: bite.wide_says })
          }
        />
      </text>
      {!broken && (
        <text x={EDGE + 6} y={FACE + thick / 2 + 4} className="hand fill-soft text-label">
          <Measure drawn text={bite.thick_says} />
        </text>
      )}
    </svg>
  );
}

/** A bit at its full depth; its flag touches the face then. */
function Bit({ wide, deep, flag }: { wide: number; deep: number; flag: boolean }) {
  const left = CENTRE - wide / 2;
  const shank = Math.min(wide, 14);
  return (
    <>
      <path
        d={`M${left} ${FACE - 22} V${FACE + deep - 1} H${left + wide} V${FACE - 22} Z`}
        className="fill-soft/45 stroke-ink"
        strokeWidth={1.2}
      />
      <rect
        x={CENTRE - shank / 2}
        y={FACE - 62}
        width={shank}
        height={40}
        className="fill-soft/45 stroke-ink"
        strokeWidth={1.2}
      />
      {flag && (
        <path
          d={`M${left - 3} ${FACE - 12} H${left + wide + 18} L${left + wide + 10} ${FACE - 6} L${left + wide + 18} ${FACE} H${left - 3} Z`}
          className="fill-mark"
        />
      )}
    </>
  );
}
