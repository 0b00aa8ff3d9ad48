import { useQueryClient } from "@tanstack/react-query";
import { useRef, useState, type ChangeEvent } from "react";
import { Link } from "react-router";

import { api, reasonOf } from "../../api/client";
import type { Stick, Stock, TimberFile } from "../../api/types";
import { useTape } from "../../api/useSettings";
import { PageHead } from "../../ui/PageHead";
import { Button } from "../../ui/Button";
import { Measure } from "../../ui/Measure";
import { ThemeButton } from "../../ui/ThemeButton";
import { unitOf } from "../../ui/measures";
import { useSay } from "../../ui/Toasts";
import { FlawMark } from "./FlawMark";
import { Prices } from "./Prices";
import { StickSheet } from "./StickSheet";
import { useRefresh, useStock } from "./useTimber";
import { Wares } from "./Wares";
import { t } from "../../messages";

const SHOWN = 0.2;

/** What is on hand to cut from, drawn to one scale; what suppliers ask; wares on hand. */
export function TimberPage() {
  const queries = useQueryClient();
  const say = useSay();
  const refresh = useRefresh();
  const stock = useStock();
  const [open, setOpen] = useState<Stick | "new" | null>(null);
  const picker = useRef<HTMLInputElement>(null);
  const unit = unitOf(useTape());
  const fail = (error: unknown) => say(reasonOf(error));

  function onStock(next: Stock) {
    queries.setQueryData(["stock"], next);
    void queries.invalidateQueries({ queryKey: ["timber"] });
  }
  function onTaken(stick: Stick) {
    api.takeStick(stick.id).then((next) => {
      onStock(next);
      setOpen(null);
      say(t("timber.off-the-rack-2", { says: stick.says, long: stick.long }), {
        label: t("timber.undo"),
        run: () => void api.putStickBack(stick.id).then(onStock, fail),
      });
    }, fail);
  }
  async function onFile(
    event: ChangeEvent<HTMLInputElement>,
    take: (text: string, unit: "in" | "mm") => Promise<TimberFile>,
  ) {
    const file = event.target.files?.[0];
    event.target.value = "";
    if (!file) return;
    try {
      const { taken, refused } = await take(await file.text(), unit);
      await refresh();
      const more = refused.length > 1 ? ` ${t("timber.and-more", { count: refused.length - 1 })}` : "";
      say(
        t("timber.taken", {
          taken,
          what: refused.length ? ` ${t("timber.left-out", { refused: refused[0] ?? "", more })}` : "",
        }),
      );
    } catch (error) {
      fail(error);
    }
  }

  return (
    <div className="mx-auto max-w-[84rem] px-5 pb-16">
      <title>{t("timber.timber-yardcliff")}</title>
      <PageHead
        title={
          <>
            {t("timber.timber")}{" "}
            <span className="text-body font-normal text-soft max-sm:hidden">
              {t("timber.on-hand-what-more-would-cost")}
            </span>
          </>
        }
      >
        <Link to="/timber/together" className="act-link">
          {t("timber.cut-several-racks-together")}
        </Link>
        <ThemeButton />
      </PageHead>
      <main id="main" tabIndex={-1} className="grid gap-x-8 lg:grid-cols-[1fr_22rem]">
        <section aria-labelledby="sticks" className="min-w-0 pt-4">
          <div className="flex flex-wrap items-center gap-3">
            <h2 id="sticks" className="flex-1 text-title">
              {t("timber.on-hand")}
            </h2>
            <input
              ref={picker}
              type="file"
              accept=".csv,text/csv"
              hidden
              aria-label={t("timber.list-of-sticks")}
              onChange={(event) => void onFile(event, api.importSticks)}
            />
            <Button onClick={() => picker.current?.click()}>{t("timber.from-a-csv-file")}</Button>
            <a href="/api/timber/sticks.csv" download className="act-link">
              {t("timber.as-csv")}
            </a>
            <Button look="act" onClick={() => setOpen("new")}>
              {t("timber.put-a-stick-on-it")}
            </Button>
          </div>
          {stock.isPending && (
            <p role="status" className="p-8 text-soft">
              {t("timber.looking-what-is-there")}
            </p>
          )}
          {stock.error && (
            <p role="alert" className="my-6 border border-care bg-care-bg p-3 text-care">
              {stock.error.message} <Button onClick={() => stock.refetch()}>{t("timber.try-again")}</Button>
            </p>
          )}
          {stock.data?.sticks.length === 0 && (
            <p className="py-6 text-soft">{t("timber.nothing-yet-what-lies-about-comes")}</p>
          )}
          <ul className="mt-2">
            {stock.data?.sticks.map((stick) => (
              <Lying key={stick.id} stick={stick} onOpen={() => setOpen(stick)} />
            ))}
          </ul>
        </section>
        {stock.data && (
          <div>
            <Prices
              stock={stock.data}
              onStock={onStock}
              onFile={(event) => void onFile(event, api.importPrices)}
            />
            <Wares stock={stock.data} onStock={onStock} />
          </div>
        )}
      </main>
      {open && stock.data && (
        <StickSheet
          stick={open === "new" ? null : open}
          sold={stock.data.sold}
          onKept={(next) => {
            onStock(next);
            setOpen(null);
          }}
          onTaken={open === "new" ? null : () => onTaken(open)}
          onClose={() => setOpen(null)}
        />
      )}
    </div>
  );
}

/** A stick as it lies there, at the scale of all, its flaws marked. */
function Lying({ stick, onOpen }: { stick: Stick; onOpen: () => void }) {
  const tall = Math.max(stick.wide_mm * SHOWN, 7);
  return (
    <li className="relative border-b border-rule px-1 pt-2.5 pb-1.5 hover:bg-sheet">
      <svg
        width={stick.long_mm * SHOWN + 4}
        height={tall + 4}
        className="block max-w-full overflow-visible"
        preserveAspectRatio="xMinYMid"
        aria-hidden
      >
        <rect
          x={2}
          y={2}
          width={stick.long_mm * SHOWN}
          height={tall}
          className="fill-wood stroke-ink"
          strokeWidth={1.4}
        />
        {stick.flaws.map(({ x0, x1, back }, index) => (
          <FlawMark key={index} x0={2 + x0 * SHOWN} x1={2 + x1 * SHOWN} top={2} tall={tall} back={back} />
        ))}
      </svg>
      <p className="flex flex-wrap items-baseline gap-x-3 text-plain">
        <button
          type="button"
          className="text-left font-semibold after:absolute after:inset-0"
          onClick={onOpen}
        >
          <Measure text={stick.says} />
        </button>
        <span className="hand">
          <Measure text={stick.long} />
        </span>
        {stick.flaws.length > 0 && (
          <span className="text-care">
            {stick.flaws
              .map(({ what, at, back }) =>
                t("timber.at-2", { what, at, what2: back ? t("timber.at-the-back-2") : "" }),
              )
              .join(", ")}
          </span>
        )}
        {stick.reclaimed && <span className="text-care">{t("timber.reclaimed")}</span>}
        <span className="text-soft italic">{stick.note}</span>
      </p>
    </li>
  );
}
