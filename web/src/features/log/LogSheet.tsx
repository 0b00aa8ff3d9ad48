import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { api } from "../../api/client";
import type { Log, LogRow, WayOut } from "../../api/types";
import { Button } from "../../ui/Button";
import { Field } from "../../ui/Field";
import { Measure } from "../../ui/Measure";
import { RackDrawing } from "../../ui/RackDrawing";
import { fitting } from "../../ui/fitting";
import { useSay } from "../../ui/Toasts";
import { useWidth } from "../../ui/useWidth";
import { Reader } from "../instruments/Reader";
import { useSession, useShown } from "../rack/shown";
import { useShortcuts } from "../rack/useShortcuts";
import { Strip } from "./Strip";
import { useLog } from "./useLog";
import { t } from "../../messages";

/** Measured against planned: the board as it is, each hole, and ways out where one strays. */
export function LogSheet({ onHelp }: { onHelp: () => void }) {
  const session = useSession();
  const log = useLog();
  useShortcuts({ "?": onHelp, undo: () => session.undo(), redo: () => session.redo() });
  return (
    <section aria-label={t("log.as-built")} className="min-w-0 flex-1 bg-wall px-3 pb-6 md:overflow-y-auto">
      {log.isPending && (
        <p role="status" className="p-6 text-soft">
          {t("log.opening-the-log")}
        </p>
      )}
      {log.error && (
        <p role="alert" className="my-4 border border-care bg-care-bg p-3 text-care">
          {log.error.message} <Button onClick={() => log.refetch()}>{t("log.try-again")}</Button>
        </p>
      )}
      {log.data && <AsBuilt log={log.data} write={log.write} />}
    </section>
  );
}

function AsBuilt({ log, write }: { log: Log; write: ReturnType<typeof useLog>["write"] }) {
  const [picked, setPicked] = useState(0);
  const [aimed, setAimed] = useState<string | null>(null);
  const { apply } = useSession();
  const end = useShown((shown) => shown.design.ends[0]);
  const tape = useShown((shown) => shown.design.tape.name);
  const row = log.rows[picked] ?? log.rows[0];
  if (!row) return null;
  // What is measured next: in this row, then in those after it.
  const from = log.rows.indexOf(row);
  const ahead = [...log.rows.slice(from), ...log.rows.slice(0, from)].flatMap((one) => one.measured);
  const next =
    ahead.find((one) => one.what === aimed) ?? ahead.find((one) => one.found === "" && !one.optional);
  const readings = ahead.map(({ what, found }) => `${what}=${found}`).join();
  const measured = new Map(ahead.map((one) => [one.what, one]));
  return (
    <>
      <h2 className="flex flex-wrap items-baseline gap-x-3 border-b-2 border-ink pt-3 text-lead">
        <span className="flex-1 basis-48">{t("log.as-built-from-the", { end })}</span>
        <span className={`text-small font-normal ${log.trouble.length ? "text-care" : "text-soft"}`}>
          {t("log.least-air", { says: log.says })} <Measure text={log.air} />.
        </span>
      </h2>
      {log.rows.length === 1 ? (
        <RowStrip row={row} />
      ) : (
        <Rows rows={log.rows} picked={from} onPick={setPicked} />
      )}
      <div className="mt-3 grid items-start gap-x-5 lg:grid-cols-[24rem_minmax(0,1fr)]">
        <div>
          <Reader
            target={next ?? null}
            tape={tape}
            none={t("log.all-measured-clear-figure-take-again")}
            onTake={(text, by) => {
              setAimed(null);
              return write({ kind: "measured", what: next?.what ?? "", text, by });
            }}
          />
          <table className="w-full text-plain">
            <thead className="text-left text-soft">
              <tr>
                <th className="font-normal">{t("log.what")}</th>
                <th className="text-right font-normal">{t("log.planned")}</th>
                <th className="text-right font-normal">{t("log.measured")}</th>
                <th className="w-24 text-right font-normal">{t("log.off-by")}</th>
              </tr>
            </thead>
            <tbody>
              {[...row.measured, log.kerf].map((one) => (
                <tr key={one.what} className="border-t border-rule">
                  <td className="whitespace-nowrap">{one.short}</td>
                  <td className="hand text-right whitespace-nowrap">
                    <Measure text={one.planned} />
                  </td>
                  <td onFocus={() => setAimed(one.what)}>
                    <Field
                      name={one.what}
                      label={t("log.measured-2", { title: one.title })}
                      labelHidden
                      className="justify-end"
                      wide
                      value={one.found}
                      placeholder="…"
                      onCommit={(text) => write({ kind: "measured", what: one.what, text })}
                    />
                  </td>
                  <td
                    className={`hand text-right whitespace-nowrap ${one.good ? "text-soft" : "font-semibold text-stop"}`}
                  >
                    <Measure text={one.off} />
                    {one.adopted && (
                      <span className="block text-fine text-soft">{t("log.plan-followed")}</span>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {!log.kerf.good && (
            <Button className="mt-1" onClick={() => apply({ cutting: { kerf: log.kerf.found } })}>
              {t("log.reckon-with-at-each-cut", { found: log.kerf.found })}
            </Button>
          )}
        </div>
        <div>
          {log.trouble.length === 0 && <AsPlanned />}
          {log.trouble.map((what) => {
            const of = measured.get(what);
            return of && <WaysOut key={what} of={of} readings={readings} />;
          })}
        </div>
      </div>
    </>
  );
}

const TALLEST = 420;

/** The rack as it is to be: nothing of it is off. */
function AsPlanned() {
  const scene = useShown((shown) => shown.design.scene);
  const [frame, width] = useWidth<HTMLDivElement>();
  return (
    <div ref={frame} className="mt-8 flex justify-center max-lg:hidden">
      {width > 0 && (
        <RackDrawing scene={scene} scale={fitting([scene], { width: width - 16, height: TALLEST })} />
      )}
    </div>
  );
}

const RowStrip = ({ row, low = false }: { row: LogRow; low?: boolean }) => (
  <Strip
    look={low ? "low" : "large"}
    long={row.long}
    found={row.found}
    planned={holesOf(row).map(({ x }) => x)}
    built={holesOf(row).map(({ found_x }) => found_x)}
  />
);

const holesOf = (row: LogRow) => row.measured.filter(({ hole }) => hole);

interface RowsProps {
  rows: LogRow[];
  picked: number;
  onPick: (row: number) => void;
}

/** Every row under the other, as they hang; the one that is picked is measured below. */
function Rows({ rows, picked, onPick }: RowsProps) {
  return (
    <div role="group" aria-label={t("log.rows")} className="mt-2 grid max-h-96 gap-y-1 overflow-y-auto">
      {rows.map((row, index) => {
        const off = row.measured.filter((one) => !one.good).length;
        const open = row.measured.filter((one) => one.found === "" && !one.optional).length;
        const state = off
          ? t("log.off", { off })
          : open
            ? t("log.to-measure", { open })
            : t("log.as-planned");
        return (
          <button
            key={row.title}
            type="button"
            aria-pressed={index === picked}
            onClick={() => onPick(index)}
            className="grid cursor-pointer grid-cols-[8.5rem_minmax(0,1fr)] items-center gap-x-2 border-l-4 border-transparent px-1.5 py-0.5 text-left hover:bg-sheet aria-pressed:border-act aria-pressed:bg-sheet"
          >
            <span>
              <span className="block font-semibold">{row.title}</span>
              <span className={`block text-small ${off ? "font-semibold text-stop" : "text-soft"}`}>
                {state}
              </span>
            </span>
            {row.long > 0 && <RowStrip row={row} low />}
          </button>
        );
      })}
    </div>
  );
}

/** What can be done about something that is off: each way drawn, with what comes of it and what it costs. */
function WaysOut({ of, readings }: { of: LogRow["measured"][number]; readings: string }) {
  const { what, title } = of;
  const session = useSession();
  const id = useShown((shown) => shown.rack.id);
  const version = useShown((shown) => shown.rack.version);
  const { refetch } = useLog();
  const say = useSay();
  const [taken, setTaken] = useState(false);
  const ways = useQuery({
    queryKey: ["ways-out", id, version, what, readings],
    queryFn: () => api.waysOut(id, what),
    enabled: !taken,
  });
  async function take(way: WayOut) {
    setTaken(true);
    const wrong = await session.mend(what, way.code);
    if (wrong) say(wrong);
    await refetch();
    setTaken(false);
  }
  return (
    <section
      aria-label={t("log.ways-out", { title })}
      className="mb-3 border border-care bg-sheet max-lg:mt-3"
    >
      <h3 className="border-b border-rule bg-care-bg px-2 py-0.5 text-body text-care">
        {t("log.off-ways-go-on-least-harmful", { title: title[0]?.toUpperCase(), title2: title.slice(1) })}
      </h3>
      {ways.isPending && <p className="px-2 py-1 text-soft">{t("log.working-them-out")}</p>}
      {ways.error && (
        <p role="alert" className="px-2 text-stop">
          {ways.error.message}
        </p>
      )}
      {ways.data?.length === 0 && <p className="px-2 py-1">{t("log.none-usual-ways-helps-change-plan")}</p>}
      <ul>
        {ways.data?.map((way) => (
          <li
            key={way.code}
            className="grid items-center gap-x-3 border-t border-rule px-2 py-1 first:border-t-0 xl:grid-cols-[minmax(0,1fr)_11rem_auto]"
          >
            <div>
              <p>
                <strong className="font-semibold">{way.title}.</strong> {way.says}
              </p>
              <p className="hand text-small text-soft">
                {t("log.out-of-even")} <Measure text={way.even} />
                {t("log.least-air-2")} <Measure text={way.air} />
                {t("log.costs", { costs: way.costs })}
                {way.stops > 0 && (
                  <span className="text-stop">{t("log.to-settle", { stops: way.stops })}</span>
                )}
              </p>
            </div>
            {way.long > 0 ? (
              <Strip
                long={way.long}
                found={null}
                planned={way.x}
                built={[]}
                look="small"
                stray={of.hole && way.code !== "anew" ? of.found_x : null}
              />
            ) : (
              <span />
            )}
            <Button aria-label={t("log.take-it", { title: way.title })} onClick={() => take(way)}>
              {t("log.take-it-2")}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
