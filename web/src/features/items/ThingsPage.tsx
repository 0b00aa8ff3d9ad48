import { useQueryClient } from "@tanstack/react-query";
import { useRef, useState, type ChangeEvent } from "react";
import { Link } from "react-router";

import { api, reasonOf } from "../../api/client";
import type { ImportReport, ItemChoice, Kept } from "../../api/types";
import { useCatalogue } from "../../api/useCatalogue";
import { Button } from "../../ui/Button";
import { ThemeButton } from "../../ui/ThemeButton";
import { lastUnit } from "../../ui/lastTape";
import { useSay } from "../../ui/Toasts";
import { ImportSheet } from "./ImportSheet";
import { Shelf } from "./Shelf";
import { ThingSheet } from "./ThingSheet";

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
  const unit = lastUnit();

  function onKept({ item, racks }: Kept) {
    setOpen(null);
    refresh();
    const many = racks.length === 1 ? `“${racks[0]?.name}” uses` : `${racks.length} racks use`;
    if (racks.length === 0) say(`${item.name}: kept.`);
    else
      say(`${item.name}: kept. ${many} other measures of it.`, {
        label: racks.length === 1 ? "Update it" : "Update them",
        run: () =>
          void api.updateRacks(item.key).then((done) => {
            refresh();
            say(`Brought up to date: ${done.map((rack) => rack.name).join(", ")}. Undo is in each rack.`);
          }, fail),
      });
  }
  async function onForget(item: ItemChoice) {
    try {
      await api.forgetItem(item.key);
      setOpen(null);
      refresh();
      say(`${item.name}: forgotten. Racks keep it as they have it.`, {
        label: "Undo",
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
      <title>Things that hang | Yardcliff</title>
      <header className="flex flex-wrap items-center gap-3 border-b-2 border-ink py-3">
        <Link to="/" className="text-act underline decoration-dotted underline-offset-3">
          Racks
        </Link>
        <h1 className="flex-1 text-head">Things that hang</h1>
        <input
          ref={picker}
          type="file"
          accept=".csv,text/csv"
          hidden
          onChange={(event) => void onFile(event)}
          aria-label="List of things"
        />
        <Button onClick={() => picker.current?.click()}>From a CSV file</Button>
        <a
          href="/api/items/items.csv"
          download
          className="text-act underline decoration-dotted underline-offset-3"
        >
          Your own as CSV
        </a>
        <ThemeButton />
      </header>
      <main>
        <p className="mt-3 text-soft">
          Typical sizes are ours. Press a thing to measure yours; it is kept for every rack.
        </p>
        {catalogue.isPending && (
          <p role="status" className="p-8 text-soft">
            Fetching the list…
          </p>
        )}
        {catalogue.error && (
          <p role="alert" className="my-6 border border-care bg-care-bg p-3 text-care">
            {catalogue.error.message} <Button onClick={() => catalogue.refetch()}>Try again</Button>
          </p>
        )}
        {catalogue.data && (
          <Shelf items={catalogue.data.items} groups={catalogue.data.groups} onPick={setOpen} />
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
              say(`${taken} ${taken === 1 ? "thing" : "things"} taken into the list.`);
            }, fail)
          }
          onClose={() => setFile(null)}
        />
      )}
    </div>
  );
}
