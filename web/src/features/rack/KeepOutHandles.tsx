import type { KeyboardEvent } from "react";

import type { Design } from "../../api/types";
import { onStep, type Run } from "../../drawing/view";
import { forgetKeepOutPatch, keepOutPatch } from "./patches";
import { useSession, useShown } from "./shown";
import { useDrag } from "./useDrag";
import { t } from "../../messages";

interface Props {
  run: Run;
  /** How far the row's own handle reaches to both sides of its axis: flaws are taken beside that. */
  half: number;
}

const REACH = 14;
const LEAST = 7;

/** What the row keeps clear of, to be dragged along the board or moved by the arrow keys. */
export function KeepOutHandles({ run, half }: Props) {
  const session = useSession();
  const keepouts = useShown((shown) => shown.design.keepouts);
  const length = useShown((shown) => shown.design.length_mm);
  const tape = useShown((shown) => shown.design.tape);
  const { group, grab, held } = useDrag(run);
  const start = useShown((shown) => shown.design.ends[0]);
  const [back, onward] = run.up ? ["ArrowDown", "ArrowUp"] : ["ArrowLeft", "ArrowRight"];
  const onTape = (mm: number) => onStep(Math.max(mm, 0), tape);
  const put = (index: number) => (design: Design, at: string) => keepOutPatch(design, index, { at });

  function onKey(event: KeyboardEvent, index: number) {
    const by = { [back]: -1, [onward]: 1 }[event.key];
    if (by)
      session.press(`keepout ${index}`, by, (design, steps) =>
        put(index)(design, onStep(design.keepouts[index]?.x ?? 0, design.tape, steps)),
      );
    else if (event.key === "Delete" || event.key === "Backspace")
      session.apply((design) => forgetKeepOutPatch(design, index));
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
  return (
    <g ref={group}>
      {keepouts.map(({ flaw, x, width, at }, index) => {
        const wide = Math.max(width * run.along.scale, 2 * LEAST);
        const left = (x + width / 2) * run.along.scale - wide / 2;
        return (
          <g
            key={index}
            role="slider"
            aria-orientation={run.up ? "vertical" : "horizontal"}
            tabIndex={0}
            aria-label={t("rack.on-the-board", { flaw })}
            aria-valuemin={0}
            aria-valuemax={Math.round(length)}
            aria-valuenow={Math.round(x)}
            aria-valuetext={t("rack.from-the-2", { at, start })}
            data-keepout={index}
            data-grip
            className={`group ${run.up ? "cursor-ns-resize" : "cursor-ew-resize"} outline-none`}
            onPointerDown={(event) => grab(event, x, { toAt: onTape, toPatch: put(index) })}
            {...held()}
            onKeyDown={(event) => onKey(event, index)}
          >
            <rect
              x={left}
              y={-half - REACH}
              width={wide}
              height={2 * (half + REACH)}
              rx={3}
              className="fill-transparent stroke-transparent stroke-2 group-focus-visible:stroke-act"
            />
            <path
              d={`M${left} ${half + 4} v6 h${wide} v-6`}
              className="fill-none stroke-mark stroke-[1.6] group-hover:stroke-act"
            />
          </g>
        );
      })}
    </g>
  );
}
