import { useKeepSettings, useSettings } from "../../api/useSettings";
import { t } from "../../messages";
import { Button } from "../../ui/Button";
import { MEASURES, measuresOf, measuresOffered } from "../../ui/measures";

/** Asked once, in one line: the guess first. */
export function FirstMeasures() {
  const { data } = useSettings();
  const keep = useKeepSettings();
  if (!data || data.chosen) return null;
  const guess = measuresOf(data.trade, data.tape);
  const offered = [...measuresOffered()].sort(
    (a, b) => Number(b.value === guess) - Number(a.value === guess),
  );
  return (
    <p className="flex flex-wrap items-center gap-2 border-b border-rule py-2 text-plain">
      <span className="text-soft">{t("racks.how-do-you-buy-and-measure")}</span>
      {offered.map(({ value, label, why }) => (
        <Button
          key={value}
          title={why}
          {...(value === guess && { look: "act" as const })}
          onClick={() => keep.mutate(MEASURES[value])}
        >
          {label}
        </Button>
      ))}
      {keep.error && (
        <span role="alert" className="text-stop">
          {keep.error.message}
        </span>
      )}
    </p>
  );
}
