import type { TapeName } from "../api/types";
import { t } from "../messages";
import { MEASURES, measuresOf, measuresOffered, type Trade } from "./measures";
import { Pick } from "./Pick";

interface Props {
  trade: Trade;
  tape: TapeName;
  onPick: (measures: { trade: Trade; tape: TapeName }) => void;
}

/** By which sizes things are bought, and with what they are measured. */
export function MeasuresPick({ trade, tape, onPick }: Props) {
  const now = measuresOf(trade, tape);
  return (
    <Pick
      label={t("ui.measures")}
      value={now}
      options={measuresOffered()}
      onPick={(next) => next !== now && onPick(MEASURES[next])}
    />
  );
}
