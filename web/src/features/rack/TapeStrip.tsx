import { useState } from "react";

import { Button } from "../../ui/Button";
import { CheckMarks } from "./CheckMarks";
import { Fig } from "./Fig";
import { Unhurried, useShown } from "./shown";
import { Tape } from "./Tape";
import type { ViewControl } from "./useView";

interface Props {
  control: ViewControl;
  flipped: boolean;
  onFlip: () => void;
}

/** The tape under the wall, with what is counted and how it is stepped off. */
export function TapeStrip({ control, flipped, onFlip }: Props) {
  const [checking, setChecking] = useState(false);
  return (
    <div className="border-t-2 border-ink bg-paper">
      <div className="flex flex-wrap items-center gap-x-4 px-2 text-[0.87rem]">
        <Button look="bare" aria-pressed={flipped} onClick={onFlip} title="Hook the tape on the other end">
          Tape from the {flipped ? "right" : "left"} end
        </Button>
        <Unhurried>
          <Counted />
        </Unhurried>
        <span className="flex-1" />
        <Button look="bare" onClick={() => setChecking(true)}>
          Check my marks
        </Button>
        {checking && <CheckMarks onClose={() => setChecking(false)} />}
      </div>
      <Tape view={control.view} size={control.size} flipped={flipped} />
    </div>
  );
}

function Counted() {
  const holders = useShown((shown) => shown.design.holders);
  const things = useShown((shown) => shown.design.count);
  const count = useShown((shown) => shown.design.holder_count);
  return (
    <>
      <span className="text-soft">
        <Fig name="row.count" label="" /> {things === count ? holders : `things on ${count} ${holders}`},{" "}
        {count - 1} spaces
      </span>
      <Fig name="row.uneven" />
      <Fig name="row.dividers" />
      <Fig name="row.drift" label="stepped off, the last is out by" />
    </>
  );
}
