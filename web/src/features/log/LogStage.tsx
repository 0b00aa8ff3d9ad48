import { useState } from "react";
import { useNavigate } from "react-router";

import { api, reasonOf, recordUrl, wallTime } from "../../api/client";
import type { EntryText, Log } from "../../api/types";
import { Button } from "../../ui/Button";
import { Checkbox } from "../../ui/Checkbox";
import { useSay } from "../../ui/Toasts";
import { Measure } from "../../ui/Measure";
import { useKeepShop } from "../making/useMaking";
import { Section } from "../rack/Section";
import { useDraft } from "../../ui/useDraft";
import { useLeaveWarning } from "../../ui/useLeaveWarning";
import { useSession, useShown } from "../rack/shown";
import { useLog } from "./useLog";
import { t, word } from "../../messages";

const FITS = ["goes on", "comes off", "bumps"] as const;
const KINDS = [
  { kind: "note", label: t("log.note"), hint: t("log.what-was-done-what-was-like") },
  { kind: "next", label: t("log.next-time"), hint: t("log.what-to-do-otherwise") },
  { kind: "time", label: t("log.time"), hint: "1 h 30" },
] as const;

/** Time and money against the plan, how the things fit, dated entries, and another one like it. */
export function LogStage() {
  const log = useLog();
  if (!log.data) return <p className="p-3 text-soft">{t("log.opening-the-log")}</p>;
  return (
    <>
      <Against log={log.data} />
      <Taught log={log.data} />
      <Fits log={log.data} write={log.write} />
      <Entries log={log.data} write={log.write} takeBack={log.takeBack} />
      <Another />
    </>
  );
}

function Against({ log }: { log: Log }) {
  return (
    <Section title={t("log.against-the-plan")}>
      <dl className="grid grid-cols-[auto_1fr_1fr] gap-x-3 text-plain">
        <dt />
        <dd className="text-right text-soft">{t("log.planned")}</dd>
        <dd className="text-right text-soft">{t("log.really")}</dd>
        <dt className="text-soft">{t("log.at-the-bench")}</dt>
        <dd className="hand text-right">{log.planned_hours}</dd>
        <dd className="hand text-right">{log.hours || "—"}</dd>
        <dt className="text-soft">{t("log.money")}</dt>
        <dd className="hand text-right">{log.planned_money || "—"}</dd>
        <dd className="hand text-right">{log.spent || "—"}</dd>
      </dl>
    </Section>
  );
}

/** What the log of all racks teaches about one's own hands. */
function Taught({ log }: { log: Log }) {
  const { usual, reckoned } = log.pace;
  const { apply } = useSession();
  const keep = useKeepShop();
  const say = useSay();
  const plan = (pace: number) =>
    keep((shop) => ({ ...shop, pace })).catch((error: unknown) => say(reasonOf(error)));
  if (!log.usual.length && !log.racks.length) return null;
  return (
    <Section title={t("log.your-hands-over-all-racks")}>
      {log.usual.map(({ says, does, patch }) => (
        <p key={says} className="text-plain">
          <Measure text={says} /> {patch && <Button onClick={() => apply(patch)}>{does}</Button>}
        </p>
      ))}
      {log.racks.length > 0 && (
        <table className="mt-1 w-full text-plain">
          <thead className="text-left text-soft">
            <tr>
              <th className="font-normal">{t("log.rack")}</th>
              <th className="text-right font-normal">{t("log.planned")}</th>
              <th className="text-right font-normal">{t("log.really")}</th>
            </tr>
          </thead>
          <tbody>
            {log.racks.map((rack, index) => (
              <tr key={index} className="border-t border-rule align-baseline">
                <td>
                  {rack.name}
                  {!rack.up && <span className="text-soft">{t("log.not-up-yet")}</span>}
                </td>
                <td className="hand text-right whitespace-nowrap">{rack.planned}</td>
                <td className="hand pl-2 text-right whitespace-nowrap">{rack.really}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {usual !== null && usual !== reckoned && (
        <p className="mt-1.5">
          {t("log.what-up-took-rule-thumb", { usual })}{" "}
          <Button onClick={() => plan(usual)}>{t("log.plan-with", { usual })}</Button>
        </p>
      )}
    </Section>
  );
}

type Write = ReturnType<typeof useLog>["write"];

function Fits({ log, write }: { log: Log; write: Write }) {
  return (
    <Section title={t("log.tried-on-the-rack")}>
      {log.fits.map((fit) => (
        <div
          key={fit.item}
          className="flex flex-wrap items-baseline gap-x-2"
          role="group"
          aria-label={fit.name}
        >
          <span className="flex-1">{fit.name}</span>
          {FITS.map((one) => (
            <Checkbox
              key={one}
              className="text-small"
              checked={fit.found.includes(one)}
              onChange={(on) => {
                const found = on ? [...fit.found, one] : fit.found.filter((other) => other !== one);
                void write({ kind: "fit", what: fit.item, found });
              }}
            >
              {word(one)}
            </Checkbox>
          ))}
        </div>
      ))}
    </Section>
  );
}

/** Of no day said: today. */
const EMPTY: Required<Pick<EntryText, "kind" | "text" | "day">> = { kind: "note", text: "", day: "" };

interface EntriesProps {
  log: Log;
  write: Write;
  takeBack: (entry: string) => Promise<string | null>;
}

function Entries({ log, write, takeBack }: EntriesProps) {
  const rack = useShown((shown) => shown.rack.id);
  const today = wallTime().slice(0, 10);
  const [draft, put] = useDraft(`log.${rack}`, EMPTY);
  const { kind, text, day } = draft;
  useLeaveWarning(() => text.trim() !== "");
  const [error, setError] = useState<string | null>(null);
  async function add() {
    const wrong = await write({ kind, text, day: day || today });
    setError(wrong);
    // What was typed meanwhile is the next one.
    if (wrong === null) put((now) => (now === draft ? EMPTY : now));
  }
  return (
    <Section title={t("log.entries")}>
      <div
        role="radiogroup"
        aria-label={t("log.kind-of-entry")}
        className="flex flex-wrap gap-x-3 text-plain"
      >
        {KINDS.map((one) => (
          <label key={one.kind} className="flex min-h-7 items-center gap-1 pointer-coarse:min-h-touch">
            <input
              type="radio"
              name="kind"
              className="accent-(--act)"
              checked={kind === one.kind}
              onChange={() => put({ ...draft, kind: one.kind })}
            />
            {one.label}
          </label>
        ))}
      </div>
      <form className="flex flex-wrap items-center gap-2" onSubmit={(event) => event.preventDefault()}>
        <textarea
          aria-label={t("log.entry")}
          rows={2}
          value={text}
          placeholder={KINDS.find((one) => one.kind === kind)?.hint}
          aria-invalid={error !== null}
          aria-describedby={error ? "entry-error" : undefined}
          onChange={(event) => put({ ...draft, text: event.target.value })}
          className="w-full border border-rule bg-paper px-1.5 py-1 aria-invalid:border-stop aria-invalid:bg-stop-bg"
        />
        <input
          type="date"
          aria-label={t("log.day-of-the-entry")}
          value={day || today}
          max={today}
          onChange={(event) => put({ ...draft, day: event.target.value })}
          className="hand min-h-7 w-32 border-b border-rule bg-transparent text-plain pointer-coarse:min-h-touch"
        />
        <span className="flex-1" />
        <Button type="submit" look="act" onClick={add}>
          {t("log.keep")}
        </Button>
      </form>
      {error && (
        <p id="entry-error" role="alert" className="text-stop">
          {error}
        </p>
      )}
      <ol aria-label={t("log.log")} className="mt-1.5">
        {folded(log.entries).map((entry) => (
          <li key={entry.id} className="flex items-baseline gap-2 border-t border-rule py-0.5 text-plain">
            <span className="hand shrink-0 text-fine text-soft">{entry.day}</span>
            <span className={`min-w-0 flex-1 ${entry.kind === "next" ? "font-semibold" : ""}`}>
              {entry.says}
            </span>
            {entry.kind !== "measured" && (
              <Button
                look="bare"
                aria-label={t("log.strike-out", { says: entry.says })}
                onClick={() => takeBack(entry.id)}
              >
                ×
              </Button>
            )}
          </li>
        ))}
      </ol>
    </Section>
  );
}

/** The entries with the readings of a day in one line: what they are stands beside their plan, and is taken back there. */
export function folded(entries: Log["entries"]): Log["entries"] {
  const many = new Map<string, number>();
  for (const { kind, day } of entries) if (kind === "measured") many.set(day, (many.get(day) ?? 0) + 1);
  const seen = new Set<string>();
  return entries.flatMap((entry) => {
    if (entry.kind !== "measured") return [entry];
    if (seen.has(entry.day)) return [];
    seen.add(entry.day);
    const count = many.get(entry.day) ?? 0;
    return [{ ...entry, says: count === 1 ? entry.says : t("log.readings", { count }) }];
  });
}

/** The record on paper. */
function OnPaper() {
  const id = useShown((shown) => shown.rack.id);
  return (
    <a
      href={recordUrl(id)}
      target="_blank"
      rel="noreferrer"
      className="text-plain whitespace-nowrap act-link"
    >
      {t("log.record-pdf")}
    </a>
  );
}

function Another() {
  const id = useShown((shown) => shown.rack.id);
  const navigate = useNavigate();
  const say = useSay();
  return (
    <Section title={t("log.keep-it-make-it-again")} aside={<OnPaper />}>
      <p className="text-small text-soft">{t("log.another-one-begins-with-what-was")}</p>
      <Button
        className="mt-1"
        onClick={() =>
          api.makeAnother(id).then(
            (made) => navigate(`/racks/${made.id}`),
            (error: unknown) => say(reasonOf(error)),
          )
        }
      >
        {t("log.make-another")}
      </Button>
    </Section>
  );
}
