import { useQueryClient } from "@tanstack/react-query";
import { useRef, useState, type ChangeEvent } from "react";

import { api, reasonOf } from "../../api/client";
import type { ImportReport, ItemChoice, Kept } from "../../api/types";
import { useTape } from "../../api/useSettings";
import { useCatalogue } from "../../api/useCatalogue";
import { PageHead } from "../../ui/PageHead";
import { Button } from "../../ui/Button";
import { ThemeButton } from "../../ui/ThemeButton";
import { unitOf } from "../../ui/measures";
import { useSay } from "../../ui/Toasts";
import { ImportSheet } from "./ImportSheet";
import { FoundShelf } from "./FoundShelf";
import { ThingSheet } from "./ThingSheet";
import { t } from "../../messages";

/** Everything that may hang: one's own things as measured, and typical ones to begin from. */
export function ThingsPage() {
  const queries = useQueryClient();
  const say = useSay();
  const catalogue = useCatalogue();
  const [open, setOpen] = useState<ItemChoice | null>(null);
  const [file, setFile] = useState<{ text: string; report: ImportReport } | null>(null);
  const picker = useRef<HTMLInputElement>(null);
  const refresh = () => void queries.invalidateQueries();
  const fail = (error: unknown) => say(reasonOf(error));
  const unit = unitOf(useTape());

  function onKept({ item, racks }: Kept) {
    setOpen(null);
    refresh();
    const many =
      racks.length === 1
        ? t("items.uses", { name: racks[0]?.name })
        : t("items.racks-use", { count: racks.length });
    if (racks.length === 0) say(t("items.kept", { name: item.name }));
    else
      say(t("items.kept-other-measures-of-it", { name: item.name, many }), {
        label: racks.length === 1 ? t("items.update-it") : t("items.update-them"),
        run: () =>
          void api.updateRacks(item.key).then((done) => {
            refresh();
            say(t("items.brought-up-date-undo-in-each", { done: done.map((rack) => rack.name).join(", ") }));
          }, fail),
      });
  }
  async function onForget(item: ItemChoice) {
    try {
      await api.forgetItem(item.key);
      setOpen(null);
      refresh();
      say(t("items.forgotten-racks-keep-as-they-have", { name: item.name }), {
        label: t("items.undo"),
        run: () => void api.keepItem(item.key, item.columns, "mm").then(refresh, fail),
      });
    } catch (error) {
      fail(error);
    }
  }
  async function onFile(event: ChangeEvent<HTMLInputElement>) {
    const chosen = event.target.files?.[0];
    event.target.value = "";
    if (!chosen) return;
    try {
      const text = await chosen.text();
      setFile({ text, report: await api.importItems(text, unit, false) });
    } catch (error) {
      fail(error);
    }
  }

  return (
    <div className="mx-auto max-w-[84rem] px-5 pb-16">
      <title>{t("items.things-that-hang-yardcliff")}</title>
      <PageHead title={t("items.things-that-hang")}>
        <input
          ref={picker}
          type="file"
          accept=".csv,text/csv"
          hidden
          onChange={(event) => void onFile(event)}
          aria-label={t("items.list-of-things")}
        />
        <Button onClick={() => picker.current?.click()}>{t("items.from-a-csv-file")}</Button>
        <a href="/api/items/items.csv" download className="act-link">
          {t("items.your-own-as-csv")}
        </a>
        <ThemeButton />
      </PageHead>
      <main id="main" tabIndex={-1}>
        <p className="mt-3 text-soft">{t("items.typical-sizes-ours-press-thing-measure")}</p>
        {catalogue.isPending && (
          <p role="status" className="p-8 text-soft">
            {t("items.fetching-the-list")}
          </p>
        )}
        {catalogue.error && (
          <p role="alert" className="my-6 border border-care bg-care-bg p-3 text-care">
            {catalogue.error.message}{" "}
            <Button onClick={() => catalogue.refetch()}>{t("items.try-again")}</Button>
          </p>
        )}
        {catalogue.data && (
          <FoundShelf items={catalogue.data.items} groups={catalogue.data.groups} onPick={setOpen} />
        )}
      </main>
      {open && catalogue.data && (
        <ThingSheet
          key={open.key}
          item={open}
          groups={catalogue.data.groups}
          shapes={catalogue.data.shapes}
          onKept={onKept}
          onForget={open.own ? () => void onForget(open) : null}
          onClose={() => setOpen(null)}
        />
      )}
      {file && (
        <ImportSheet
          report={file.report}
          onTake={() =>
            void api.importItems(file.text, unit, true).then(({ taken }) => {
              setFile(null);
              refresh();
              say(t("items.things-taken-into-the-list", { n: taken }));
            }, fail)
          }
          onClose={() => setFile(null)}
        />
      )}
    </div>
  );
}
