import { useState } from "react";

import { api, ProblemError } from "../../api/client";
import type { Stock } from "../../api/types";
import { Button } from "../../ui/Button";
import { Input } from "../../ui/Input";
import { Pick } from "../../ui/Pick";
import { useSay } from "../../ui/Toasts";

const KINDS = [
  "screw", "nail", "hook", "lag", "fixing", "nut", "washer", "hanger", "pin", "magnet", "strap", "glue", "finish", "sandpaper",
]; // prettier-ignore

/** Screws, hooks and tins that are there already: they are not bought. */
export function Wares({ stock, onStock }: { stock: Stock; onStock: (stock: Stock) => void }) {
  const say = useSay();
  const [kind, setKind] = useState("screw");
  const [name, setName] = useState("");
  const [amount, setAmount] = useState("");
  const [error, setError] = useState<string>();
  async function set(...ware: [string, string, number]) {
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
    const many = Number(amount);
    if (!name.trim())
      return setError("Say what it is, as it stands in a shopping list: 4.0 × 20 mm wood screw.");
    if (!Number.isInteger(many) || many < 1)
      return setError(`“${amount}” is no number of them: write one like 50.`);
    if (await set(kind, name.trim(), many)) {
      setName("");
      setAmount("");
    }
  }
  return (
    <section aria-labelledby="wares" className="pt-6">
      <h2 id="wares" className="text-title">
        In the drawers
      </h2>
      <ul>
        {stock.wares.map((ware) => (
          <li
            key={ware.kind + ware.name}
            className="flex items-baseline gap-2 border-b border-rule py-0.5 text-plain"
          >
            <span className="flex-1">{ware.name}</span>
            <span className="hand">
              {ware.amount} {ware.unit}
            </span>
            <Button
              look="bare"
              aria-label={`Gone: ${ware.name}`}
              onClick={() =>
                void set(ware.kind, ware.name, 0).then(
                  (done) =>
                    done &&
                    say(`${ware.name}: none left.`, {
                      label: "Undo",
                      run: () => void set(ware.kind, ware.name, ware.amount),
                    }),
                )
              }
            >
              Gone
            </Button>
          </li>
        ))}
      </ul>
      <div className="mt-2 flex flex-col gap-1">
        <div className="flex items-baseline justify-between">
          <span className="text-soft">kind</span>
          <Pick
            label="Kind"
            value={kind}
            options={KINDS.map((one) => ({ value: one, label: one }))}
            onPick={setKind}
          />
        </div>
        <Input label="what" value={name} onChange={setName} />
        <Input label="how many (g, ml)" value={amount} error={error} onChange={setAmount} />
        <Button className="self-end" onClick={() => onAdd()}>
          Put it in
        </Button>
      </div>
    </section>
  );
}
