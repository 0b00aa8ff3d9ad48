import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef, useState, type ChangeEvent } from "react";
import { Link, useNavigate } from "react-router";

import { api, reasonOf } from "../../api/client";
import type { RackListed } from "../../api/types";
import { waitingBySheet } from "../../api/unsent";
import { Button, told } from "../../ui/Button";
import { Checkbox } from "../../ui/Checkbox";
import { ThemeButton } from "../../ui/ThemeButton";
import { useSay } from "../../ui/Toasts";
import { useDraft } from "../../ui/useDraft";
import { Walls } from "../walls/Walls";
import { FirstMeasures } from "./FirstMeasures";
import { NoRacks } from "./NoRacks";
import { RackCard } from "./RackCard";
import { grouped, type Order } from "./sorted";
import { t } from "../../messages";

/** Fewer are seen at a glance: nothing has to be looked for. */
const FEW = 6;

export function RacksPage() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const say = useSay();
  const [waiting] = useState(() => waitingBySheet());
  const racks = useQuery({ queryKey: ["racks"], queryFn: api.racks });
  const bin = useQuery({ queryKey: ["racks", "bin"], queryFn: api.bin });
  const refresh = () => void queries.invalidateQueries({ queryKey: ["racks"] });
  const fail = (error: unknown) => say(reasonOf(error));
  const restore = useMutation({ mutationFn: api.restore, onSuccess: refresh, onError: fail });
  const remove = useMutation({
    mutationFn: (rack: RackListed) => api.remove(rack.id),
    onSuccess: (_, rack) => {
      refresh();
      say(t("racks.is-in-the-bin", { name: rack.name }), {
        label: t("racks.undo"),
        run: () => restore.mutate(rack.id),
      });
    },
    onError: fail,
  });
  const copy = useMutation({ mutationFn: (id: string) => api.copy(id), onSuccess: refresh, onError: fail });
  const open = useMutation({
    mutationFn: async (file: File) => api.open(JSON.parse(await file.text())),
    onSuccess: (rack) => navigate(`/racks/${rack.id}`),
    onError: (error) =>
      say(error instanceof SyntaxError ? t("racks.this-no-rack-file-not-readable") : error.message),
  });
  const picker = useRef<HTMLInputElement>(null);

  // What is looked for is still there after a look at a rack.
  const [words, setWords] = useDraft("racks.words", "");
  const [order, setOrder] = useDraft<Order>("racks.order", "changed");
  const [byWall, setByWall] = useDraft("racks.by-wall", false);
  const many = (racks.data?.length ?? 0) >= FEW;
  const groups = grouped(racks.data ?? [], many ? words : "", order, many && byWall);
  const found = groups.reduce((sum, group) => sum + group.racks.length, 0);

  function onFile(event: ChangeEvent<HTMLInputElement>) {
    const file = event.target.files?.[0];
    if (file) open.mutate(file);
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
          accept=".json,application/json"
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
        {racks.data && many && (
          <div className="flex flex-wrap items-center gap-x-5 gap-y-2 py-2 text-plain">
            <label className="flex items-center gap-2">
              <span className="text-soft">{t("racks.find")}</span>
              <input
                type="search"
                value={words}
                onChange={(event) => setWords(event.target.value)}
                placeholder={t("racks.name-thing-or-wall")}
                className="hand min-h-8 w-56 rounded-[3px] border border-edge bg-paper px-2 pointer-coarse:min-h-touch"
              />
            </label>
            {/* The page's own list would bring with it more than all of this page. */}
            <select
              aria-label={t("racks.order")}
              value={order}
              onChange={(event) => setOrder(event.target.value === "name" ? "name" : "changed")}
              className="hand min-h-8 rounded-[3px] border border-edge bg-paper px-1 pointer-coarse:min-h-touch"
            >
              <option value="changed">{t("racks.last-changed-first")}</option>
              <option value="name">{t("racks.by-name")}</option>
            </select>
            <Checkbox checked={byWall} onChange={setByWall}>
              {t("racks.by-wall")}
            </Checkbox>
            <span role="status" className="text-soft">
              {words.trim() && t("racks.so-many-of", { found, all: racks.data.length })}
            </span>
          </div>
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
                  onCopy={() => copy.mutateAsync(rack.id)}
                  onBin={() => remove.mutateAsync(rack)}
                />
              ))}
            </ul>
          </section>
        ))}
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
                    onClick={() => restore.mutateAsync(rack.id).catch(told)}
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
