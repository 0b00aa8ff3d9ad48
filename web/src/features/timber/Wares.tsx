import { useState } from "react";

import { api, ProblemError } from "../../api/client";
import type { Stock } from "../../api/types";
import { Button } from "../../ui/Button";
import { Input } from "../../ui/Input";
import { Pick } from "../../ui/Pick";
import { useSay } from "../../ui/Toasts";
import { useDraft } from "../../ui/useDraft";
import { t, word } from "../../messages";

const KINDS = [
  "screw", "nail", "hook", "lag", "fixing", "nut", "washer", "hanger", "pin", "magnet", "strap", "glue", "finish", "sandpaper",
]; // prettier-ignore

/** Screws, hooks and tins that are there already: they are not bought. */
export function Wares({ stock, onStock }: { stock: Stock; onStock: (stock: Stock) => void }) {
  const say = useSay();
  const [kind, setKind] = useState("screw");
  const [name, setName, noName] = useDraft("wares.name", "");
  const [amount, setAmount, noAmount] = useDraft("wares.amount", "");
  const [error, setError] = useState<string>();
  async function set(...ware: [kind: string, name: string, amount: string]) {
    try {
      onStock(await api.setWare(...ware));
      return true;
    } catch (problem) {
      const why = problem instanceof ProblemError ? problem.problem.detail : String(problem);
      setError(why);
      return false;
    }
  }
  async function onAdd() {
    setError(undefined);
    if (!name.trim()) return setError(t("timber.say-what-as-stands-in-shopping"));
    if (await set(kind, name.trim(), amount)) {
      noName();
      noAmount();
    }
  }
  return (
    <section aria-labelledby="wares" className="pt-6">
      <h2 id="wares" className="text-title">
        {t("timber.in-the-drawers")}
      </h2>
      <ul>
        {stock.wares.map((ware) => (
          <li
            key={ware.kind + ware.name}
            className="flex items-baseline gap-2 border-b border-rule py-0.5 text-plain"
          >
            <span className="flex-1">{ware.name}</span>
            <span className="hand">{ware.amount}</span>
            <Button
              look="bare"
              aria-label={t("timber.gone", { name: ware.name })}
              onClick={() =>
                void set(ware.kind, ware.name, "0").then(
                  (done) =>
                    done &&
                    say(t("timber.none-left", { name: ware.name }), {
                      label: t("timber.undo"),
                      run: () => void set(ware.kind, ware.name, ware.amount),
                    }),
                )
              }
            >
              {t("timber.gone-2")}
            </Button>
          </li>
        ))}
      </ul>
      <div className="mt-2 flex flex-col gap-1">
        <div className="flex items-baseline justify-between">
          <span className="text-soft">{t("timber.kind")}</span>
          <Pick
            label={t("timber.kind-2")}
            value={kind}
            options={KINDS.map((one) => ({ value: one, label: word(one) }))}
            onPick={setKind}
          />
        </div>
        <Input label={t("timber.what")} value={name} onChange={setName} />
        <Input label={t("timber.how-many-or-much")} value={amount} error={error} onChange={setAmount} />
        <Button className="self-end" onClick={() => onAdd()}>
          {t("timber.put-it-in")}
        </Button>
      </div>
    </section>
  );
}
