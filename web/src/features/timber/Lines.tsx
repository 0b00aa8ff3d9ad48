import { useState } from "react";

import { api, errorsOf } from "../../api/client";
import type { Timber } from "../../api/types";
import { Button } from "../../ui/Button";
import { Input } from "../../ui/Input";
import { Measure } from "../../ui/Measure";
import { useRefresh } from "./useTimber";
import { t } from "../../messages";

type Line = Timber["lines"][number];

/** The shopping list; what has no price takes the one that stands on its label. */
export function Lines({ lines }: { lines: Line[] }) {
  const [asked, setAsked] = useState<string | null>(null);
  const refresh = useRefresh();
  const keyOf = (line: Line) => `${line.kind} ${line.name}`;
  async function forget({ kind, name }: Line) {
    await api.notePrice({ kind, name, pack: "", price: "" });
    await refresh();
  }
  return (
    <ul className="@container text-small">
      {lines.map((line) => (
        <li key={keyOf(line)} className="border-t border-rule py-0.5 first:border-t-0">
          <div className="flex items-start gap-1 @2xl:gap-4 @2xl:text-body">
            <span className="min-w-0 flex-1 @2xl:flex @2xl:items-baseline">
              <span className="@2xl:flex-1">
                <Measure text={line.name} />
              </span>
              <span className="block text-fine text-soft @2xl:w-72 @2xl:text-plain">
                {t("timber.needs", { need: line.need })}
                {line.left && t("timber.left-over", { left: line.left })}
                {/(only|out of)/.test(line.says) && <span className="text-care">, {line.says}</span>}
              </span>
            </span>
            <span className="hand text-right whitespace-nowrap @2xl:w-28">{line.buy}</span>
            <span className="hand w-20 text-right whitespace-nowrap">
              {line.known || line.timber ? (
                line.total
              ) : (
                <Button
                  aria-expanded={asked === keyOf(line)}
                  aria-label={t("timber.price-of", { name: line.name })}
                  onClick={() => setAsked(asked === keyOf(line) ? null : keyOf(line))}
                >
                  {t("timber.price")}
                </Button>
              )}
            </span>
          </div>
          {line.noted && (
            <p className="flex items-center justify-end gap-1 text-fine text-soft">
              {t("timber.you-noted", { noted: line.noted })}
              <Button
                look="bare"
                aria-label={t("timber.take-back-the-price-of", { name: line.name })}
                onClick={() => forget(line)}
              >
                ×
              </Button>
            </p>
          )}
          {asked === keyOf(line) && !line.known && <PriceForm line={line} onKept={() => setAsked(null)} />}
        </li>
      ))}
    </ul>
  );
}

const ON_THE_LABEL: Record<string, string> = {
  ml: "like 750 ml",
  g: "like 250 g",
  "": t("timber.how-many-1"),
};

/** A packet and its price, as on the label. */
function PriceForm({ line, onKept }: { line: Line; onKept: () => void }) {
  const refresh = useRefresh();
  const [pack, setPack] = useState("");
  const [price, setPrice] = useState("");
  const [errors, setErrors] = useState<Record<string, string>>({});
  async function keep() {
    if (!price.trim()) return setErrors({ price: t("timber.write-what-packet-costs-like-12") });
    try {
      await api.notePrice({ kind: line.kind, name: line.name, pack, price });
      await refresh();
      onKept();
    } catch (error) {
      setErrors(errorsOf(error, "price"));
    }
  }
  return (
    <form
      className="my-1 border-l-2 border-act pl-2"
      aria-label={t("timber.the-packet-of", { name: line.name })}
      onSubmit={(event) => event.preventDefault()}
    >
      <Input
        label={t("timber.in-one-packet")}
        value={pack}
        placeholder={ON_THE_LABEL[line.unit]}
        error={errors["pack"]}
        onChange={setPack}
      />
      <Input label={t("timber.it-costs")} value={price} error={errors["price"]} onChange={setPrice} />
      <Button type="submit" look="act" className="my-1" onClick={keep}>
        {t("timber.keep-the-price")}
      </Button>
    </form>
  );
}
