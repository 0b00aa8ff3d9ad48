import type { TapeName } from "../api/types";
import { STEPS, type Unit } from "./lastTape";
import { Switch } from "./Switch";
import { t } from "../messages";

interface Props {
  unit: Unit;
  onTape: (tape: TapeName) => void;
}

/** Metric or inch: the usual tape of either. */
export function UnitSwitch({ unit, onTape }: Props) {
  return (
    <Switch
      label={t("ui.unit")}
      value={unit}
      options={[
        { value: "mm", label: t("ui.mm") },
        { value: "in", label: t("ui.inch") },
      ]}
      onPick={(next) => next !== unit && onTape(STEPS[next][0])}
    />
  );
}
