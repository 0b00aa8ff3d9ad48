import type { TapeName } from "../api/types";
import { STEPS, type Unit } from "./lastTape";
import { Switch } from "./Switch";

interface Props {
  unit: Unit;
  onTape: (tape: TapeName) => void;
}

/** Metric or inch: the usual tape of either. */
export function UnitSwitch({ unit, onTape }: Props) {
  return (
    <Switch
      label="Unit"
      value={unit}
      options={[
        { value: "mm", label: "mm" },
        { value: "in", label: "inch" },
      ]}
      onPick={(next) => next !== unit && onTape(STEPS[next][0])}
    />
  );
}
