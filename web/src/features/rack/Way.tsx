import { Pick } from "../../ui/Pick";
import { useSession, useShown } from "./shown";
import { t } from "../../messages";

/** How it is built: every way, the most fitting for what hangs first, with the reason. */
export function Way() {
  const { apply } = useSession();
  const ways = useShown((shown) => shown.design.ways);
  const family = useShown((shown) => shown.design.family);
  return (
    <div className="flex items-baseline justify-between gap-2 border-b border-rule px-3 py-1">
      <span className="text-soft">{t("rack.built-as-a")}</span>
      <Pick
        label={t("rack.way-of-building")}
        value={family}
        options={ways.map(({ value, name, why }) => ({ value, label: name.toLowerCase(), why }))}
        onPick={(next) => apply({ family: next })}
      />
    </div>
  );
}
