import { SEVERITIES } from "../../ui/FlagShape";
import { useShown } from "./shown";
import { t } from "../../messages";

/** Tells those who do not see the drawing what is wrong with it, whenever that changes. */
export function Announced() {
  const said = useShown(({ design, held }) =>
    held
      ? ""
      : design.findings
          .filter(({ severity }) => severity !== "note")
          .map(({ severity, title }) => `${SEVERITIES[severity]}: ${title}`)
          .join(". "),
  );
  return (
    <p className="sr-only" role="log" aria-live="polite">
      {said || t("rack.nothing-to-fix")}
    </p>
  );
}
