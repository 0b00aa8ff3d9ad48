import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef, useState, type ChangeEvent } from "react";
import { Link, useNavigate } from "react-router";

import { api, reasonOf } from "../../api/client";
import type { RackSummary } from "../../api/types";
import { waitingBySheet } from "../../api/unsent";
import { Button, told } from "../../ui/Button";
import { Measure } from "../../ui/Measure";
import { ThemeButton } from "../../ui/ThemeButton";
import { useSay } from "../../ui/Toasts";
import { RackDrawing } from "../../ui/RackDrawing";
import { Walls } from "../walls/Walls";
import { FirstMeasures } from "./FirstMeasures";
import { NoRacks } from "./NoRacks";
import { t } from "../../messages";

/** Pixels per mm at the most, and the widest a drawing may be: a very long rack makes all of them smaller. */
const SCALE = 0.2;
const WIDEST = 360;

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
    mutationFn: (rack: RackSummary) => api.remove(rack.id),
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

  const longest = Math.max(1, ...(racks.data ?? []).map(({ scene }) => scene.extent.x1 - scene.extent.x0));
  const scale = Math.min(SCALE, WIDEST / longest);

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
        <ul className="grid grid-cols-[repeat(auto-fill,minmax(min(21rem,100%),1fr))]">
          {racks.data?.map((rack) => (
            <li
              key={rack.id}
              className="group relative flex flex-col border-b border-rule px-2 pt-6 pb-3 hover:bg-sheet"
            >
              <span className="flex min-h-28 flex-1 items-start justify-center">
                <RackDrawing scene={rack.scene} scale={scale} />
              </span>
              <div className="mt-4 flex items-end gap-2">
                <div className="min-w-0 flex-1">
                  <h2 className="truncate text-lead">
                    <Link to={`/racks/${rack.id}`} className="after:absolute after:inset-0">
                      {rack.name}
                    </Link>
                  </h2>
                  <p className="text-plain text-soft">
                    {rack.says}
                    <br />
                    {t("racks.board")} <Measure text={rack.size} />
                  </p>
                  {waiting.has(rack.id) && (
                    <p className="text-plain font-semibold text-care">
                      {t("racks.not-saved-yet-open-send-them", { get: waiting.get(rack.id) })}
                    </p>
                  )}
                  <p className={`text-plain ${rack.to_settle ? "font-semibold text-care" : "text-soft"}`}>
                    {rack.to_settle
                      ? t("racks.to-settle", { to_settle: rack.to_settle })
                      : rack.walled
                        ? t("racks.no-problems")
                        : t("racks.no-problems-in-layout-wall-not")}
                  </p>
                </div>
                <Button
                  look="bare"
                  className="relative z-10"
                  aria-label={t("racks.copy", { name: rack.name })}
                  onClick={() => copy.mutateAsync(rack.id).catch(told)}
                >
                  {t("racks.copy-2")}
                </Button>
                <Button
                  look="bare"
                  className="relative z-10"
                  aria-label={t("racks.put-in-the-bin", { name: rack.name })}
                  onClick={() => remove.mutateAsync(rack).catch(told)}
                >
                  {t("racks.bin")}
                </Button>
              </div>
            </li>
          ))}
        </ul>
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
