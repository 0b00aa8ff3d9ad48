import { useRef, useState, type KeyboardEvent, type PointerEvent } from "react";

import type { Design, Patch } from "../../api/types";
import { onStep, toModelX, toScreenX, toScreenY, type View } from "../../drawing/view";
import { pinPatch } from "./patches";
import type { Session } from "./session";

interface Props {
  session: Session;
  design: Design;
  view: View;
  onHold: (held: boolean) => void;
  onFigure: (key: string) => void;
}

const CLICK_PX = 3;
const GRIP = 11;

interface Hold {
  startX: number;
  moved: boolean;
  offset: number;
  patch: Patch | null;
}

/** The holders and the board's end, to be dragged or moved by the arrow keys, one tape step at a time. */
export function Handles({ session, design, view, onHold, onFigure }: Props) {
  const hold = useRef<Hold | null>(null);
  const [stop, setStop] = useState(0);
  const y = toScreenY(view, design.axis_y);
  const stored = session.rack.design;

  function grab(event: PointerEvent<SVGElement>, at: number) {
    event.currentTarget.setPointerCapture(event.pointerId);
    hold.current = {
      startX: event.clientX,
      moved: false,
      offset: toScreenX(view, at) - event.clientX,
      patch: null,
    };
    onHold(true);
  }
  function drag(event: PointerEvent<SVGElement>, toPatch: (at: string) => Patch) {
    const now = hold.current;
    if (!now) return;
    if (!now.moved && Math.abs(event.clientX - now.startX) < CLICK_PX) return;
    now.moved = true;
    now.patch = toPatch(onStep(toModelX(view, event.clientX + now.offset), design.tape));
    session.preview(now.patch);
  }
  function release(onClick?: () => void) {
    const now = hold.current;
    hold.current = null;
    onHold(false);
    if (now?.patch) void session.change(now.patch);
    else if (now && onClick) onClick();
  }
  function cancel() {
    hold.current = null;
    onHold(false);
    session.preview(null);
  }

  function onHolderKey(event: KeyboardEvent<SVGElement>, index: number) {
    const mark = design.marks[index];
    if (!mark) return;
    const along = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    const other = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    if (along) void session.change(pinPatch(stored, index, onStep(mark.x, design.tape, along)));
    else if (other) focusHolder(event.currentTarget, index + other);
    else if (event.key === "Delete" || event.key === "Backspace")
      void session.change(pinPatch(stored, index));
    else if (event.key === "Enter") onFigure(`mark.${index}`);
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
  function focusHolder(from: SVGElement, index: number) {
    const next = Math.min(Math.max(index, 0), design.marks.length - 1);
    setStop(next);
    from.parentElement?.querySelector<SVGElement>(`[data-holder="${next}"]`)?.focus();
  }
  function onEndKey(event: KeyboardEvent<SVGElement>) {
    const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (!by) return;
    event.preventDefault();
    event.stopPropagation();
    void session.change({ row: { length: onStep(design.length_mm, design.tape, by) } });
  }

  const width = Math.max(
    Math.min(GRIP, ((design.marks[1]?.x ?? 1e4) - (design.marks[0]?.x ?? 0)) * view.scale * 0.5),
    2,
  );
  const endX = toScreenX(view, design.length_mm);
  return (
    <g>
      {design.marks.map((mark) => (
        <g
          key={mark.index}
          data-holder={mark.index}
          role="slider"
          aria-orientation="horizontal"
          tabIndex={mark.index === Math.min(stop, design.marks.length - 1) ? 0 : -1}
          aria-label={`Holder ${mark.index + 1}${mark.pinned ? ", pinned" : ""}`}
          aria-valuemin={0}
          aria-valuemax={Math.round(design.length_mm)}
          aria-valuenow={Math.round(mark.x)}
          aria-valuetext={`${mark.text} from the left end`}
          className="cursor-ew-resize touch-none outline-none focus-visible:[&>rect]:stroke-act"
          transform={`translate(${toScreenX(view, mark.x)} ${y})`}
          onPointerDown={(event) => grab(event, mark.x)}
          onPointerMove={(event) => drag(event, (at) => pinPatch(stored, mark.index, at))}
          onPointerUp={() => release(() => onFigure(`mark.${mark.index}`))}
          onPointerCancel={cancel}
          onFocus={() => setStop(mark.index)}
          onKeyDown={(event) => onHolderKey(event, mark.index)}
        >
          <rect
            x={-width}
            y={-22}
            width={2 * width}
            height={44}
            fill="transparent"
            strokeWidth={2.5}
            rx={4}
          />
          {mark.pinned && <path d="M0 -24 L-6 -35 H6 Z" className="fill-mark stroke-ink" strokeWidth={1} />}
        </g>
      ))}
      <g
        role="slider"
        aria-orientation="horizontal"
        tabIndex={0}
        aria-label="The board's right end"
        aria-valuemin={0}
        aria-valuemax={30000}
        aria-valuenow={Math.round(design.length_mm)}
        aria-valuetext={design.fields["row.length"]}
        className="group cursor-ew-resize touch-none outline-none"
        transform={`translate(${endX} ${y})`}
        onPointerDown={(event) => grab(event, design.length_mm)}
        onPointerMove={(event) => drag(event, (at) => ({ row: { length: at } }))}
        onPointerUp={() => release()}
        onPointerCancel={cancel}
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
