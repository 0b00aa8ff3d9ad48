import type { TapeName } from "../api/types";
import { Switch } from "./Switch";

const USUAL = { mm: "1 mm", in: "1/16 in" } as const;

interface Props {
  unit: "mm" | "in";
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
      onPick={(next) => next !== unit && onTape(USUAL[next])}
    />
  );
}
