import type { Making, Shop, Task } from "../../api/types";
import { useWidth } from "../../ui/useWidth";
import { t } from "../../messages";

const TALL = 92;
const TOP = 20;
const BLOCK = 26;
const LEAST = 104;

/** A day with work: its hours run from `first` to `last`; what lies before or after them is at its edges. */
interface Column {
  day: string;
  label: string;
  first: number;
  last: number;
}

const dayOf = (iso: string) => iso.slice(0, 10);
const hourOf = (iso: string) => Number(iso.slice(11, 13)) + Number(iso.slice(14, 16)) / 60;

interface Props {
  making: Making;
  shop: Shop | undefined;
  onPick: (key: string) => void;
}

/** The days at the bench side by side: blocks are work, the line under a block is what it waits for, through the night. */
export function Days({ making, shop, onPick }: Props) {
  const [frame, width] = useWidth<HTMLDivElement>();
  const planned = making.tasks.filter((task) => task.stints.length);
  const columns = columnsOf(planned, shop);
  if (!columns.length) return <div ref={frame} />;
  const wide = Math.max((width - 8) / columns.length, LEAST);
  const x = (iso: string) => {
    const at = columns.findIndex(({ day }) => day >= dayOf(iso));
    const column = columns[at];
    if (!column) return wide * columns.length;
    if (column.day !== dayOf(iso)) return wide * at;
    const { first, last } = column;
    const share = (Math.min(Math.max(hourOf(iso), first), last) - first) / (last - first || 1);
    return wide * at + 2 + (wide - 4) * share;
  };
  return (
    <div ref={frame} className="overflow-x-auto pt-3">
      <svg
        width={wide * columns.length}
        height={TALL}
        className="block"
        role="group"
        aria-label={t("making.the-days-at-the-bench")}
      >
        {columns.map(({ day, label }, index) => (
          <g key={day}>
            <rect
              x={wide * index + 2}
              y={TOP}
              width={wide - 4}
              height={BLOCK}
              className="fill-sheet stroke-rule"
              strokeWidth={1}
            />
            <text x={wide * index + 4} y={14} className="hand fill-ink text-label font-semibold">
              {label}
            </text>
          </g>
        ))}
        {planned.map((task) => (
          <Waiting key={task.key} task={task} x={x} />
        ))}
        {planned.map((task) =>
          task.stints.map(({ start, end, day, hours: when }, k) => (
            <g
              key={`${task.key} ${k}`}
              role="button"
              tabIndex={0}
              aria-label={`${task.number}. ${task.title}: ${day}, ${when}`}
              className="cursor-pointer outline-none [&:focus-visible>rect]:stroke-act [&:focus-visible>rect]:stroke-3"
              onClick={() => onPick(task.key)}
              onKeyDown={(event) => {
                if (event.key !== "Enter" && event.key !== " ") return;
                event.preventDefault();
                onPick(task.key);
              }}
            >
              <title>{`${task.number}. ${task.title}: ${when}`}</title>
              <rect
                x={x(start)}
                y={TOP}
                width={Math.max(x(end) - x(start), 2)}
                height={BLOCK}
                className={`${task.errand ? "fill-note-bg" : "fill-wood"} stroke-ink`}
                strokeWidth={1.2}
              />
              {x(end) - x(start) > 7.5 * String(task.number).length + 3 && (
                <text
                  x={(x(start) + x(end)) / 2}
                  y={TOP + BLOCK / 2 + 4}
                  textAnchor="middle"
                  className="hand pointer-events-none fill-ink text-reading"
                >
                  {task.number}
                </text>
              )}
            </g>
          )),
        )}
      </svg>
    </div>
  );
}

/** What a task waits for: a line from its end to when it is over, on one of three levels so that few run into one another. */
function Waiting({ task, x }: { task: Task; x: (iso: string) => number }) {
  const end = task.stints.at(-1)?.end;
  if (!task.free || !end) return null;
  const y = TOP + BLOCK + 9 + (task.number % 3) * 12;
  const [from, to] = [x(end), x(task.free)];
  return (
    <g className="stroke-item-line">
      <path
        d={`M${from} ${TOP + BLOCK} V${y} H${to}`}
        fill="none"
        stroke="var(--item-line)"
        strokeWidth={1.6}
        strokeDasharray="5 3"
      />
      <circle cx={to} cy={y} r={2.5} fill="var(--item-line)" />
    </g>
  );
}

/** Every day that something is done on, by the workshop's hours; what lies between is left out. */
function columnsOf(tasks: Task[], shop: Shop | undefined): Column[] {
  const found = new Map<string, Column>();
  for (const { start, end, day: label } of tasks.flatMap(({ stints }) => stints)) {
    const day = dayOf(start);
    const weekday = (new Date(`${day}T12:00`).getDay() + 6) % 7;
    const open = (shop?.hours ?? []).filter((one) => one.day === weekday);
    const one = found.get(day);
    const begins = open.map((hours) => hourOf(`${day}T${hours.start}`));
    const ends = open.map((hours) => hourOf(`${day}T${hours.end}`));
    found.set(day, {
      day,
      label,
      first: Math.min(hourOf(start), ...begins, one?.first ?? 24),
      last: Math.max(hourOf(end), ...ends, one?.last ?? 0),
    });
  }
  return [...found.values()].sort((a, b) => a.day.localeCompare(b.day));
}
