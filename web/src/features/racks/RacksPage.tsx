import { useMutation, useQuery } from "@tanstack/react-query";
import { lazy, Suspense, useRef, useState, type ChangeEvent } from "react";
import { Link, useNavigate } from "react-router";

import { api } from "../../api/client";
import type { RackListed } from "../../api/types";
import { waitingBySheet } from "../../api/unsent";
import { Button } from "../../ui/Button";
import { ThemeButton } from "../../ui/ThemeButton";
import { useSay } from "../../ui/Toasts";
import { useDraft } from "../../ui/useDraft";
import { Walls } from "../walls/Walls";
import { Finding } from "./Finding";
import { FirstMeasures } from "./FirstMeasures";
import { NoRacks } from "./NoRacks";
import { RackCard } from "./RackCard";
import { grouped, tagsOf, type Wanted } from "./sorted";
import { useRackWrites } from "./useRackWrites";
import { t } from "../../messages";

/** What is done with several comes when one is chosen. */
const Several = lazy(() => import("./Several"));
const NONE: ReadonlySet<string> = new Set();
const ALL: Wanted = { words: "", which: "all", tags: [], order: "changed", byWall: false };
/** Fewer are seen at a glance: nothing has to be looked for. */
const FEW = 6;

export function RacksPage() {
  const navigate = useNavigate();
  const say = useSay();
  const writes = useRackWrites();
  const [waiting] = useState(() => waitingBySheet());
  const racks = useQuery({ queryKey: ["racks"], queryFn: api.racks });
  const bin = useQuery({ queryKey: ["racks", "bin"], queryFn: api.bin });
  const open = useMutation({
    mutationFn: async (file: File) => api.open(JSON.parse(await file.text())),
    onSuccess: (rack) => navigate(`/racks/${rack.id}`),
    onError: (error) =>
      say(error instanceof SyntaxError ? t("racks.this-no-rack-file-not-readable") : error.message),
  });
  const picker = useRef<HTMLInputElement>(null);

  // What is looked for is still there after a look at a rack.
  const [wanted, setWanted] = useDraft<Wanted>("racks", ALL);
  const all = racks.data ?? [];
  const many =
    all.length >= FEW || all.some(({ filed: { tags, favourite, done } }) => tags.length || favourite || done);
  // A tag that none has any more would hide all of them.
  const known = tagsOf(all).map(([tag]) => tag);
  const asked = { ...wanted, tags: wanted.tags.filter((tag) => known.includes(tag)) };
  const groups = grouped(all, many ? asked : ALL);
  const shown = groups.flatMap((group) => group.racks);

  const [ids, setIds] = useState<ReadonlySet<string>>(NONE);
  const chosen = all.filter(({ id }) => ids.has(id));
  const onChoose = (rack: RackListed, on: boolean) =>
    setIds((old) => new Set(on ? [...old, rack.id] : [...old].filter((id) => id !== rack.id)));

  function onFile(event: ChangeEvent<HTMLInputElement>) {
    const file = event.target.files?.[0];
    if (file?.name.toLowerCase().endsWith(".zip")) void writes.openZip(file);
    else if (file) open.mutate(file);
    event.target.value = "";
  }

  return (
    <div className="mx-auto max-w-[84rem] px-5 pb-16">
      <title>{t("racks.racks-yardcliff")}</title>
      <header className="flex flex-wrap items-center gap-3 border-b-2 border-ink py-3">
        <h1 className="flex-1 text-head">
          {t("racks.yardcliff")}{" "}
          <span className="text-body font-normal text-soft">{t("racks.racks-all-drawn-one-scale")}</span>
        </h1>
        <input
          ref={picker}
          type="file"
          accept=".json,.zip,application/json,application/zip"
          hidden
          onChange={onFile}
          aria-label={t("racks.rack-file")}
        />
        <a href="#walls" className="act-link">
          {t("racks.walls")}
        </a>
        <Link to="/things" className="act-link">
          {t("racks.things-that-hang")}
        </Link>
        <Link to="/timber" className="act-link">
          {t("racks.timber")}
        </Link>
        <Link to="/words" className="act-link">
          {t("racks.words")}
        </Link>
        <Link to="/settings" className="act-link">
          {t("racks.settings")}
        </Link>
        <Button onClick={() => picker.current?.click()}>{t("racks.open-a-rack-file")}</Button>
        <Link
          to="/new"
          className="inline-flex min-h-8 items-center rounded-[3px] bg-act px-3 text-on-act hover:opacity-90 pointer-coarse:min-h-touch"
        >
          {t("racks.new-rack")}
        </Link>
        <ThemeButton />
      </header>
      <main id="main" tabIndex={-1}>
        <FirstMeasures />
        {racks.isPending && (
          <p role="status" className="p-8 text-soft">
            {t("racks.fetching-the-racks")}
          </p>
        )}
        {racks.error && (
          <p role="alert" className="my-6 border border-care bg-care-bg p-3 text-care">
            {racks.error.message} <Button onClick={() => racks.refetch()}>{t("racks.try-again")}</Button>
          </p>
        )}
        {racks.data?.length === 0 && <NoRacks />}
        {many && (
          <Finding
            racks={all}
            found={shown.length}
            wanted={asked}
            onWanted={(part) => setWanted({ ...asked, ...part })}
          />
        )}
        {groups.map(({ wall, racks: own }) => (
          <section key={wall} aria-label={wall === null ? t("racks.racks") : wall || t("racks.on-no-wall")}>
            {wall !== null && (
              <p className="hand border-b border-ink pt-4 text-title">{wall || t("racks.on-no-wall")}</p>
            )}
            <ul className="grid grid-cols-[repeat(auto-fill,minmax(min(21rem,100%),1fr))]">
              {own.map((rack) => (
                <RackCard
                  key={rack.id}
                  rack={rack}
                  waiting={waiting.get(rack.id)}
                  chosen={ids.has(rack.id)}
                  onChoose={onChoose}
                  writes={writes}
                />
              ))}
            </ul>
          </section>
        ))}
        {chosen.length > 0 && (
          <Suspense>
            <Several
              chosen={chosen}
              racks={all}
              writes={writes}
              onAll={() => setIds(new Set(shown.map(({ id }) => id)))}
              onNone={() => setIds(NONE)}
            />
          </Suspense>
        )}
        <Walls />
        {bin.data && bin.data.length > 0 && (
          <details className="mt-8">
            <summary className="cursor-pointer text-soft">
              {t("racks.in-the-bin", { count: bin.data.length })}
            </summary>
            <ul className="mt-2">
              {bin.data.map((rack) => (
                <li key={rack.id} className="flex items-center gap-3 py-1">
                  {rack.name}
                  <Button
                    aria-label={t("racks.restore", { name: rack.name })}
                    onClick={() => writes.restore(rack)}
                  >
                    {t("racks.restore-2")}
                  </Button>
                </li>
              ))}
            </ul>
          </details>
        )}
      </main>
      <footer className="mt-12 text-right">
        <Link to="/about" className="text-soft underline decoration-dotted underline-offset-3">
          {t("racks.about-yardcliff-and-its-licences")}
        </Link>
      </footer>
    </div>
  );
}
