import type { KeyboardEvent } from "react";

import { onStep, toScreenX, type View } from "../../drawing/view";
import { forgetKeepOutPatch, keepOutPatch } from "./patches";
import { useSession, useShown } from "./shown";
import { useDrag } from "./useDrag";

interface Props {
  view: View;
  /** The row's axis, and how far its own handle reaches above and below it: flaws are taken beside that. */
  y: number;
  half: number;
}

const REACH = 14;
const LEAST = 7;

/** What the row keeps clear of, to be dragged along the board or moved by the arrow keys. */
export function KeepOutHandles({ view, y, half }: Props) {
  const session = useSession();
  const keepouts = useShown((shown) => shown.design.keepouts);
  const length = useShown((shown) => shown.design.length_mm);
  const tape = useShown((shown) => shown.design.tape);
  const { group, grab, held } = useDrag(view);
  const onTape = (mm: number) => onStep(Math.max(mm, 0), tape);
  const put = (index: number) => (at: string) => keepOutPatch(session.rack.design, index, { at });

  function onKey(event: KeyboardEvent, index: number, x: number) {
    const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (by) session.apply(put(index)(onStep(x, tape, by)));
    else if (event.key === "Delete" || event.key === "Backspace")
      session.apply(forgetKeepOutPatch(session.rack.design, index));
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
  return (
    <g ref={group}>
      {keepouts.map(({ flaw, x, width, at }, index) => {
        const wide = Math.max(width * view.scale, 2 * LEAST);
        const left = toScreenX(view, x + width / 2) - wide / 2;
        return (
          <g
            key={index}
            role="slider"
            aria-orientation="horizontal"
            tabIndex={0}
            aria-label={`${flaw} on the board`}
            aria-valuemin={0}
            aria-valuemax={Math.round(length)}
            aria-valuenow={Math.round(x)}
            aria-valuetext={`${at} from the left end`}
            data-keepout={index}
            className="group cursor-ew-resize touch-none outline-none"
            onPointerDown={(event) => grab(event, x, onTape, put(index))}
            {...held()}
            onKeyDown={(event) => onKey(event, index, x)}
          >
            <rect
              x={left}
              y={y - half - REACH}
              width={wide}
              height={2 * (half + REACH)}
              rx={3}
              className="fill-transparent stroke-transparent stroke-2 group-focus-visible:stroke-act"
            />
            <path
              d={`M${left} ${y + half + 4} v6 h${wide} v-6`}
              className="fill-none stroke-mark stroke-[1.6] group-hover:stroke-act"
            />
          </g>
        );
      })}
    </g>
  );
}
