import { useRef, useState, type KeyboardEvent, type PointerEvent } from "react";

import { alongRun, onStep, runOf, snapped, toScreenX, type View } from "../../drawing/view";
import { movePatch, pinPatch } from "./patches";
import { KeepOutHandles } from "./KeepOutHandles";
import { useSession, useShown } from "./shown";
import { useDrag } from "./useDrag";
import { t } from "../../messages";

const HALF_HEIGHT = 24;
const WIDEST = 13;
/** Beyond this many, things are too narrow to be dragged one by one. */
const MOST_IN_HAND = 60;

/**
 * The holders and the board's end, to be dragged or moved by the arrow keys, one tape step at a time. One slider
 * stands at the holder in hand; the band over the row takes the pointer to the nearest one.
 */
export function Handles({ view }: { view: View }) {
  const session = useSession();
  const design = useShown((shown) => shown.design);
  const run = runOf(view, design.up, design.origin);
  const { along, up } = run;
  const { group, grab, held } = useDrag(run);
  const slider = useRef<SVGGElement>(null);
  const [chosen, setChosen] = useState(0);
  const { marks } = design;
  const start = design.ends[0];
  const inHand = Math.min(chosen, marks.x.length - 1);
  const inHandX = marks.x[inHand] ?? 0;
  const pinned = marks.pinned.includes(inHand);
  // Its ring would come after what is in hand, with the row.
  const ring = useShown((shown) => shown.hand === null) ? "focus-visible:[&>rect]:stroke-act" : "";

  const [back, onward] = up ? ["ArrowDown", "ArrowUp"] : ["ArrowLeft", "ArrowRight"];
  const onTape = (mm: number) => onStep(mm, design.tape);

  /** A mixed row is put in order by hand: the thing goes to the place it is dragged to. */
  function onThingDown(event: PointerEvent<SVGElement>, place: number) {
    const { things } = session.rack.design;
    const toPlace = (mm: number) => String(nearest(things.x, mm));
    grab(event, things.x[place] ?? 0, {
      toAt: toPlace,
      toPatch: (design, to) => movePatch(design, place, Number(to)),
    });
  }
  function onBandDown(event: PointerEvent<SVGElement>) {
    const box = event.currentTarget.getBoundingClientRect();
    const from = alongRun(run, { clientX: box.left, clientY: box.bottom });
    const index = nearest(marks.x, first + (alongRun(run, event) - from - half) / along.scale);
    setChosen(index);
    slider.current?.focus();
    grab(event, marks.x[index] ?? 0, {
      toAt: onTape,
      toPatch: (design, at) => pinPatch(design, index, at),
      toHand: (mm) => ({ mark: index, x: snapped(mm, design.tape) }),
    });
  }
  function onHolderKey(event: KeyboardEvent<SVGElement>) {
    const by = { [back]: -1, [onward]: 1 }[event.key];
    const other = { [up ? "ArrowLeft" : "ArrowUp"]: -1, [up ? "ArrowRight" : "ArrowDown"]: 1 }[event.key];
    if (by)
      session.press(`holder ${inHand}`, by, (design, steps) =>
        pinPatch(design, inHand, onStep(design.marks.x[inHand] ?? 0, design.tape, steps)),
      );
    else if (other) setChosen(Math.min(Math.max(inHand + other, 0), marks.x.length - 1));
    else if (event.key === "Delete" || event.key === "Backspace")
      session.apply((design) => pinPatch(design, inHand));
    else if (event.key === "Enter") session.openFigure(`mark.${inHand}`);
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
  function onEndKey(event: KeyboardEvent<SVGElement>) {
    const by = { [back]: -1, [onward]: 1 }[event.key];
    if (!by) return;
    event.preventDefault();
    event.stopPropagation();
    session.press("row.length", by, (design, steps) => ({
      row: { length: onStep(design.length_mm, design.tape, steps) },
    }));
  }

  const cursor = up ? "cursor-ns-resize" : "cursor-ew-resize";
  const first = marks.x[0] ?? 0;
  const last = marks.x.at(-1) ?? 0;
  const spacing = marks.x.length > 1 ? ((last - first) / (marks.x.length - 1)) * along.scale : Infinity;
  const half = Math.max(Math.min(WIDEST, spacing / 2), 2);
  const grip = Math.min(spacing * 0.4, 60);
  const mixed = new Set(design.things.kind).size > 1;
  // Beside the row's band, as far as what hangs on it reaches: down to the next row, or out to the right.
  const { extent } = design.scene;
  const reach = up
    ? extent.x1 - (design.origin[0] ?? 0)
    : (design.origin[1] ?? 0) - (design.rows[1]?.y ?? extent.y0);
  const below = reach * along.scale - (!up && design.rows[1] ? HALF_HEIGHT : 0);
  return (
    <g ref={group} transform={run.transform}>
      {mixed &&
        design.things.x.length <= MOST_IN_HAND &&
        design.things.x.map((x, place) => (
          <rect
            key={place}
            data-thing={place}
            data-grip
            className="cursor-grab active:cursor-grabbing"
            x={toScreenX(along, x) - grip}
            y={HALF_HEIGHT}
            width={2 * grip}
            height={Math.max(below - HALF_HEIGHT, 0)}
            fill="transparent"
            onPointerDown={(event) => onThingDown(event, place)}
            {...held()}
          />
        ))}
      <KeepOutHandles run={run} half={HALF_HEIGHT} />
      {marks.pinned.map((index) => (
        <path
          key={index}
          d="M0 -24 L-6 -35 H6 Z"
          transform={`translate(${toScreenX(along, marks.x[index] ?? 0)} 0)`}
          className="fill-mark stroke-ink"
          strokeWidth={1}
        />
      ))}
      <g
        ref={slider}
        role="slider"
        aria-orientation={up ? "vertical" : "horizontal"}
        tabIndex={0}
        aria-label={t("rack.holder-of", {
          holder: design.holder,
          inHand: inHand + 1,
          count: marks.x.length,
          what: pinned ? t("rack.pinned") : "",
        })}
        aria-valuemin={0}
        aria-valuemax={Math.round(design.length_mm)}
        aria-valuenow={Math.round(inHandX)}
        aria-valuetext={t("rack.from-the", { text: marks.text[inHand], start })}
        className={`outline-none ${ring}`}
        transform={`translate(${toScreenX(along, inHandX)} 0)`}
        onKeyDown={onHolderKey}
      >
        <rect
          x={-half}
          y={-HALF_HEIGHT}
          width={2 * half}
          height={2 * HALF_HEIGHT}
          fill="none"
          strokeWidth={2.5}
          rx={4}
        />
      </g>
      <rect
        data-band
        data-grip
        className={cursor}
        x={toScreenX(along, first) - half}
        y={-HALF_HEIGHT}
        width={(last - first) * along.scale + 2 * half}
        height={2 * HALF_HEIGHT}
        fill="transparent"
        onMouseDown={(event) => event.preventDefault()} // it would take the focus from the slider
        onPointerDown={onBandDown}
        {...held(() => session.openFigure(`mark.${chosen}`))}
      />
      <g
        role="slider"
        aria-orientation={up ? "vertical" : "horizontal"}
        tabIndex={0}
        aria-label={t("rack.the-boards", { ends: design.ends[1] })}
        aria-valuemin={0}
        aria-valuemax={30000}
        aria-valuenow={Math.round(design.length_mm)}
        aria-valuetext={design.fields["row.length"]}
        data-grip
        className={`group outline-none ${cursor}`}
        transform={`translate(${toScreenX(along, design.length_mm)} 0)`}
        onPointerDown={(event) =>
          grab(event, design.length_mm, { toAt: onTape, toPatch: (_, at) => ({ row: { length: at } }) })
        }
        {...held()}
        onKeyDown={onEndKey}
      >
        <rect x={-8} y={-30} width={30} height={60} fill="transparent" />
        <path
          d="M7 -13 V13 M12 -13 V13 M17 -4 L21 0 L17 4"
          className="fill-none stroke-soft stroke-[1.8] group-hover:stroke-act group-focus-visible:stroke-act"
        />
        <rect
          x={3}
          y={-18}
          width={21}
          height={36}
          rx={3}
          className="fill-none stroke-transparent stroke-2 group-focus-visible:stroke-act"
        />
      </g>
    </g>
  );
}

/** The index of what is nearest to `x`; 0 where there is nothing. */
function nearest(xs: readonly number[], x: number): number {
  const away = xs.map((at) => Math.abs(at - x));
  return Math.max(away.indexOf(Math.min(...away)), 0);
}
