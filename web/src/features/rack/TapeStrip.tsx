import { useMemo, useState } from "react";

import { fit, type View } from "../../drawing/view";
import { Button } from "../../ui/Button";
import { CheckMarks } from "./CheckMarks";
import { Fig } from "./Fig";
import { Switch } from "../../ui/Switch";
import { Unhurried, useShown } from "./shown";
import { Tape } from "./Tape";
import type { ViewControl } from "./useView";
import { t } from "../../messages";

interface Props {
  control: ViewControl;
  flipped: boolean;
  onFlip: () => void;
}

const BENCH = { top: 0, right: 60, bottom: 0, left: 60 };

/** The tape under the wall, with what is counted and how it is stepped off. */
export function TapeStrip({ control, flipped, onFlip }: Props) {
  const [checking, setChecking] = useState(false);
  const [row, setRow] = useState(0);
  const named = useShown((shown) => shown.design.rows.map((one) => `${one.alike} ${one.names}`).join("\n"));
  const ends = useShown((shown) => shown.design.ends);
  const up = useShown((shown) => shown.design.up);
  const lying = useLying(control);
  const groups = rowGroups(named);
  const shownRow = groups.some(({ value }) => value === String(row)) ? row : 0;
  return (
    <div data-stop="tape" className="border-t-2 border-ink bg-paper">
      <div className="flex flex-wrap items-center gap-x-4 px-2 text-small">
        <Button
          look="bare"
          aria-pressed={flipped}
          onClick={onFlip}
          title={t("rack.hook-tape-on-other-end-2")}
        >
          {t("rack.tape-from-the", { ends: ends[flipped ? 1 : 0] })}
        </Button>
        {groups.length > 1 && (
          <Switch
            label={t("rack.whose-marks-on-tape")}
            value={String(shownRow)}
            options={groups}
            onPick={(next) => setRow(Number(next))}
          />
        )}
        <Unhurried>
          <Counted />
        </Unhurried>
        <span className="flex-1" />
        <Button look="bare" onClick={() => setChecking(true)}>
          {t("rack.check-my-marks")}
        </Button>
        {checking && <CheckMarks onClose={() => setChecking(false)} />}
      </div>
      <Tape view={up ? lying : control.view} size={control.size} flipped={flipped} row={shownRow} />
    </div>
  );
}

/** A board that stands on the wall lies on the bench to be marked: its whole length in the strip, foot at the left. */
function useLying({ size }: ViewControl): View {
  const length = useShown((shown) => shown.design.length_mm);
  return useMemo(() => fit({ x0: 0, y0: 0, x1: length, y1: 0 }, size, BENCH), [length, size]);
}

function Counted() {
  const holders = useShown((shown) => shown.design.holders);
  const things = useShown((shown) => shown.design.count);
  const count = useShown((shown) => shown.design.holder_count);
  return (
    <>
      <span className="text-soft">
        <Fig name="row.count" label="" />{" "}
        {things === count ? holders : t("rack.things-on", { count, holders })},{" "}
        {t("rack.spaces", { n: count - 1 })}
      </span>
      <Fig name="row.uneven" />
      <Fig name="row.dividers" />
      <Fig name="row.drift" label={t("rack.stepped-off-last-out-by")} />
    </>
  );
}

/** The rows by their marks, from a line each: "rows 1 and 3" and "row 2", each known by its first. */
function rowGroups(named: string) {
  return [...new Set(named.split("\n"))].map((line) => {
    const [value = "", ...label] = line.split(" ");
    return { value, label: label.join(" ") };
  });
}
