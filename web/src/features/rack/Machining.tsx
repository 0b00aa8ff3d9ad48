import { useState } from "react";

import { Measure } from "../../ui/Measure";
import { HoleTables } from "./HoleTables";
import { useShown } from "./shown";
import { t } from "../../messages";

/** What is bored, sawn and cut, in the order of the work, and what to take care of. */
export function Machining() {
  const steps = useShown((shown) => shown.design.machining);
  const cautions = useShown((shown) => shown.design.cautions);
  const [listed, setListed] = useState(false);
  return (
    <details className="border-t border-ink px-3 py-2 text-small">
      <summary className="cursor-pointer text-body font-semibold">{t("rack.drilling-and-machining")}</summary>
      <ol className="mt-1 flex flex-col gap-2">
        {steps.map((step, index) => (
          <li key={index}>
            <p className="flex justify-between gap-2">
              <span className="font-semibold">
                {step.count} × {step.what.toLowerCase()}
              </span>
              <span className="hand">
                <Measure text={step.tool} />
              </span>
            </p>
            <p>
              {step.where.toLowerCase()}:{" "}
              <Measure text={[step.depth, step.setting].filter(Boolean).join(", ")} />
              {step.web && (
                <>
                  {t("rack.web-left")} <Measure text={step.web} />
                </>
              )}
            </p>
            <p className="text-soft">{t("rack.stop", { stop: step.stop, note: step.note })}</p>
          </li>
        ))}
      </ol>
      <details className="mt-2" onToggle={(event) => setListed(event.currentTarget.open)}>
        <summary className="cursor-pointer font-semibold">{t("rack.hole-table-part-by-part")}</summary>
        {listed && <HoleTables />}
      </details>
      <p className="mt-2 font-semibold">{t("rack.take-care")}</p>
      <ul className="list-disc pl-4">
        {cautions.map((caution) => (
          <li key={caution}>{caution}</li>
        ))}
      </ul>
    </details>
  );
}
