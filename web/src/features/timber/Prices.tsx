import { useMutation } from "@tanstack/react-query";
import { useRef, type ChangeEvent } from "react";

import { api, reasonOf } from "../../api/client";
import type { Stock } from "../../api/types";
import { Button, told } from "../../ui/Button";
import { useSay } from "../../ui/Toasts";
import { t } from "../../messages";

interface Props {
  stock: Stock;
  onStock: (stock: Stock) => void;
  onFile: (event: ChangeEvent<HTMLInputElement>) => void;
}

/** Whose prices are known, of which day, and asking the timber yard for new ones. */
export function Prices({ stock, onStock, onFile }: Props) {
  const say = useSay();
  const picker = useRef<HTMLInputElement>(null);
  const fail = (error: unknown) => say(reasonOf(error));
  const ask = useMutation({
    mutationFn: api.askYard,
    onSuccess: (next) => {
      onStock(next);
      say(t("timber.timber-yards-prices-today"));
    },
    onError: fail,
  });
  const forget = useMutation({ mutationFn: api.forgetPrices, onSuccess: onStock, onError: fail });
  return (
    <section aria-labelledby="prices" className="pt-4">
      <h2 id="prices" className="text-title">
        {t("timber.prices")}
      </h2>
      {stock.lists.length === 0 && (
        <p className="py-2 text-soft">{t("timber.none-yet-without-them-plan-takes")}</p>
      )}
      <ul>
        {stock.lists.map((list) => (
          <li key={list.supplier} className="flex items-baseline gap-2 border-b border-rule py-1">
            <span className="flex-1">
              {list.supplier}
              <span className="block text-small text-soft">
                {t("timber.pieces-of-timber-packets", {
                  taken: list.taken,
                  currency: list.currency,
                  timber: list.timber,
                  wares: list.wares,
                })}
              </span>
            </span>
            <Button
              look="bare"
              aria-label={t("timber.forget-the-prices-of", { supplier: list.supplier })}
              onClick={() => forget.mutateAsync(list.supplier).catch(told)}
            >
              {t("timber.forget")}
            </Button>
          </li>
        ))}
      </ul>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        {stock.yard && (
          <Button look="act" disabled={ask.isPending} onClick={() => ask.mutateAsync().catch(told)}>
            {ask.isPending ? t("timber.asking-the-yard") : t("timber.ask-the-timber-yard")}
          </Button>
        )}
        <input
          ref={picker}
          type="file"
          accept=".csv,text/csv"
          hidden
          aria-label={t("timber.list-of-prices")}
          onChange={onFile}
        />
        <Button onClick={() => picker.current?.click()}>{t("timber.from-a-csv-file")}</Button>
        <a href="/api/timber/prices.csv" download className="act-link">
          {t("timber.as-csv")}
        </a>
      </div>
    </section>
  );
}
