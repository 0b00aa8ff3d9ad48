import { Link } from "react-router";

import { api, reasonOf } from "../../api/client";
import type { Design, Timber } from "../../api/types";
import { Button } from "../../ui/Button";
import { Checkbox } from "../../ui/Checkbox";
import { Measure } from "../../ui/Measure";
import { Pick } from "../../ui/Pick";
import { useSay } from "../../ui/Toasts";
import { BriefField } from "../rack/BriefField";
import { Note } from "../rack/Notes";
import { Section } from "../rack/Section";
import { useSession, useShown } from "../rack/shown";
import { options, useRefresh, useStock, useTimber } from "./useTimber";
import { useDraft } from "../../ui/useDraft";
import { t } from "../../messages";

const TO_SIZE = [
  { key: "rip" as const, label: t("timber.rip-wider-boards"), tool: t("timber.table-saw-or-jigsaw") },
  { key: "thin" as const, label: t("timber.plane-thicker-boards-down"), tool: t("timber.a-planer") },
];

const cuttingOf = (design: Design) => design.brief.cutting;

/** What it costs, what it is cut with, and carrying it out. */
export function TimberStage() {
  const timber = useTimber();
  const data = timber.data;
  if (!data) return null; // the cut plan beside it tells how far it is
  return (
    <>
      <Cost timber={data} />
      {data.findings.length > 0 && (
        <ol
          aria-label={t("timber.notes-on-the-cut-plan")}
          className="flex flex-col gap-2 border-b border-rule p-2"
        >
          {data.findings.map((finding, index) => (
            <Note key={finding.code + index} finding={finding} number={index + 1} />
          ))}
        </ol>
      )}
      <Saw timber={data} />
      <CarryOut timber={data} />
      <Section title={t("timber.take-care")}>
        <ul className="list-disc pl-5 text-small">
          {data.cautions.map((caution) => (
            <li key={caution}>{caution}</li>
          ))}
        </ul>
      </Section>
    </>
  );
}

function Cost({ timber }: { timber: Timber }) {
  return (
    <Section title={t("timber.what-it-costs")}>
      <p className="flex items-baseline gap-3">
        <span className="hand flex-1 text-head font-semibold">
          {timber.currency ? timber.total : "—"}
          {(timber.spent || timber.cut > 0) && (
            <span className="pl-2 text-plain font-normal text-soft">{t("timber.still-to-buy")}</span>
          )}
        </span>
      </p>
      {timber.spent && (
        <p className="text-plain">
          {t("timber.spent-so-far")} <span className="hand">{timber.spent}</span>
        </p>
      )}
      <p className="text-small text-soft">
        {t("timber.by", { priced: timber.priced })}{" "}
        {timber.unknown > 0 && (
          <span className="text-care">{t("timber.lines-have-no-price", { n: timber.unknown })} </span>
        )}
        <Link to="/timber" className="act-link">
          {t("timber.timber-and-prices")}
        </Link>
      </p>
    </Section>
  );
}

function Saw({ timber }: { timber: Timber }) {
  const { apply } = useSession();
  const cutting = useShown((shown) => cuttingOf(shown.rack.design));
  const stock = useStock();
  return (
    <Section title={t("timber.sawing")}>
      <div className="flex items-baseline justify-between">
        <span className="text-soft">{t("timber.cut-with")}</span>
        <Pick
          label={t("timber.saw")}
          value={cutting.saw}
          options={options(stock.data?.saws)}
          onPick={(saw) => apply({ cutting: { saw, kerf: null } })}
        />
      </div>
      <div className="flex items-baseline justify-between">
        <span className="text-soft">{t("timber.boards-of")}</span>
        <Pick
          label={t("timber.boards-of-2")}
          value={cutting.species}
          options={[{ value: "", label: t("timber.any-wood") }, ...options(stock.data?.woods)]}
          onPick={(species) => apply({ cutting: { species } })}
        />
      </div>
      <BriefField path="cutting.kerf" label={t("timber.each-cut-takes")} optional placeholder={timber.kerf} />
      <BriefField path="cutting.trim" label={t("timber.squared-off-each-end")} />
      <BriefField path="cutting.plane" label={t("timber.left-to-plane-when-ripped")} />
      {TO_SIZE.map(({ key, label, tool }) => (
        <div key={key} className="flex items-baseline justify-between">
          <span className="text-soft">{label}</span>
          <Pick
            label={label}
            value={cutting[key]}
            options={[
              {
                value: "with a tool",
                label: t("timber.with-a-tool"),
                why: t("timber.only-with-in-the-workshop", { tool }),
              },
              {
                value: "by hand too",
                label: t("timber.by-hand-too"),
                why: t("timber.with-hand-tools-where-there-no"),
              },
              { value: "never", label: t("timber.never"), why: t("timber.boards-taken-as-they-sold") },
            ]}
            onPick={(how) => apply({ cutting: { [key]: how } })}
          />
        </div>
      ))}
      {timber.work && (
        <p className="my-1 text-plain" role="status">
          {timber.work}
        </p>
      )}
      {timber.stops.length > 0 && (
        <details className="text-plain">
          <summary className="cursor-pointer text-soft">
            {t("timber.stop-block-settings", { n: timber.stops.length })}
          </summary>
          <ul className="pl-4">
            {timber.stops.map((stop) => (
              <li key={stop.long}>
                <span className="hand font-semibold">
                  <Measure text={stop.long} />
                </span>
                : {stop.names.join(", ")}
              </li>
            ))}
          </ul>
        </details>
      )}
      {WISHES.map((wish) => (
        <Wish key={wish.key} wish={wish} parts={wish.of(timber)} chosen={cutting[wish.key]} />
      ))}
      {timber.forbidden.map(({ says, patch }) => (
        <p key={says} className="flex items-center gap-2 text-small">
          <span className="min-w-0 flex-1 truncate text-soft">{t("timber.left-alone", { says })}</span>
          <Button look="bare" onClick={() => apply(patch)}>
            {t("timber.take-it-again")}
          </Button>
        </p>
      ))}
      <div className="flex items-baseline justify-between">
        <span className="text-soft">{t("timber.finish")}</span>
        <Pick
          label={t("timber.finish-2")}
          value={cutting.finish}
          options={options(stock.data?.finishes)}
          onPick={(finish) => apply({ cutting: { finish, coats: null } })}
        />
      </div>
      {cutting.finish !== "none" && (
        <BriefField
          path="cutting.coats"
          label={t("timber.coats")}
          optional
          placeholder={t("timber.as-usual")}
        />
      )}
    </Section>
  );
}

interface WishText {
  key: "matched" | "backs" | "turned";
  title: string;
  none: string;
  says: string;
  of: (timber: Timber) => string[];
}

const WISHES: WishText[] = [
  {
    key: "matched",
    title: t("timber.matched-grain"),
    none: t("timber.as-it-comes"),
    says: t("timber.these-come-from-one-stick-one"),
    of: ({ parts }) => (parts.length > 1 ? parts : []),
  },
  {
    key: "backs",
    title: t("timber.backs-that-nobody-sees"),
    none: "none",
    says: t("timber.these-may-have-flaw-at-back"),
    of: ({ parts }) => parts,
  },
  {
    key: "turned",
    title: t("timber.grain-either-way"),
    none: t("timber.along-the-sheet"),
    says: t("timber.these-may-lie-across-sheet-where"),
    of: ({ on_sheets }) => on_sheets,
  },
];

/** Which parts something is asked of; those that were chosen and are no more can still be let go. */
function Wish({ wish, parts, chosen }: { wish: WishText; parts: string[]; chosen: string[] }) {
  const { apply } = useSession();
  const names = [...new Set([...parts, ...chosen])];
  if (!names.length) return null;
  return (
    <details className="text-plain">
      <summary className="cursor-pointer text-soft pointer-coarse:min-h-touch">
        {wish.title}: {chosen.length ? chosen.join(", ") : wish.none}
      </summary>
      <p className="text-small text-soft">{wish.says}</p>
      {names.map((part) => (
        <Checkbox
          key={part}
          className="text-plain"
          checked={chosen.includes(part)}
          onChange={(on) =>
            apply((design) => {
              const now = cuttingOf(design)[wish.key].filter((one) => one !== part);
              return { cutting: { [wish.key]: on ? [...now, part] : now } };
            })
          }
        >
          {part}
        </Checkbox>
      ))}
    </details>
  );
}

/** Once it is sawn: sticks leave the rack of timber, offcuts come onto it, what was spent is kept. */
function CarryOut({ timber }: { timber: Timber }) {
  const id = useShown((shown) => shown.rack.id);
  const say = useSay();
  const [spent, setSpent, noSpent] = useDraft(`${id} spent`, "");
  const refresh = useRefresh();
  async function takeBack(sawing: string) {
    await api.takeBackTimber(id, sawing).catch((error: unknown) => say(reasonOf(error)));
    await refresh();
  }
  async function onDone() {
    try {
      const done = await api.carryOut(id, spent.trim() || null, timber.sawings.length);
      noSpent();
      await refresh();
      const latest = done.sawings[0];
      say(t("timber.sawn-what-was-cut-up-off"), {
        label: t("timber.undo"),
        run: () => latest && void takeBack(latest.id),
      });
    } catch (error) {
      say(reasonOf(error));
      await refresh();
    }
  }
  const left = timber.groups
    .flatMap(({ sawn }) => sawn.flatMap(({ offcuts }) => offcuts))
    .filter(({ keeps }) => keeps);
  return (
    <Section title={t("timber.when-it-is-sawn")}>
      <p className="text-small text-soft">
        <Measure
          text={
            !timber.groups.length
              ? t("timber.all-is-cut-pieces", { n: timber.cut })
              : left.length === 0
                ? t("timber.nothing-worth-keeping-left-over")
                : t("timber.back-to-the-timber-rack", { left: left.map(({ long }) => long).join(", ") })
          }
        />
      </p>
      <div className="mt-1 flex items-end gap-2">
        <label className="flex-1 text-plain text-soft">
          {t("timber.spent-in-all")}
          <input
            value={spent}
            onChange={(event) => setSpent(event.target.value)}
            placeholder={timber.total}
            inputMode="decimal"
            className="hand ml-2 min-h-7 w-24 border-b border-rule bg-transparent px-1 text-right text-ink pointer-coarse:min-h-touch"
          />
        </label>
        <Button look="act" disabled={!timber.groups.length} onClick={() => onDone()}>
          {t("timber.it-is-sawn")}
        </Button>
      </div>
      {timber.sawings.map((sawing) => (
        <p key={sawing.id} className="mt-1 flex items-center gap-2 text-small">
          <span className="flex-1">
            {sawing.made_at}: {sawing.spent}, <span className="text-soft">{sawing.over}</span>
          </span>
          <Button look="bare" onClick={() => takeBack(sawing.id)}>
            {t("timber.take-back")}
          </Button>
        </p>
      ))}
    </Section>
  );
}
