import { useState } from "react";
import { Link } from "react-router";

import { api, reasonOf, timberUrl } from "../../api/client";
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
import { Files } from "./Files";
import { Lines } from "./Lines";
import { options, useRefresh, useStock, useTimber } from "./useTimber";

const TO_SIZE = [
  { key: "rip" as const, label: "rip wider boards", tool: "a table saw or a jigsaw" },
  { key: "thin" as const, label: "plane thicker boards down", tool: "a planer" },
];

const cuttingOf = (design: Design) => design.brief.cutting;

/** What it costs, what it is cut with, what to buy, and carrying it out. */
export function TimberStage() {
  const timber = useTimber();
  const data = timber.data;
  if (!data) return null; // the cut plan beside it tells how far it is
  return (
    <>
      <Cost timber={data} />
      {data.findings.length > 0 && (
        <ol aria-label="Notes on the cut plan" className="flex flex-col gap-2 border-b border-rule p-2">
          {data.findings.map((finding, index) => (
            <Note key={finding.code + index} finding={finding} number={index + 1} />
          ))}
        </ol>
      )}
      <Saw timber={data} />
      <Shopping timber={data} />
      <CarryOut timber={data} />
      <Section title="Take care">
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
    <Section title="What it costs">
      <p className="flex items-baseline gap-3">
        <span className="hand flex-1 text-head font-semibold">
          {timber.currency ? timber.total : "—"}
          {(timber.spent || timber.cut > 0) && (
            <span className="pl-2 text-plain font-normal text-soft">still to buy</span>
          )}
        </span>
        {timber.currency && <span className="hand text-soft">{timber.per_holder} a holder</span>}
      </p>
      {timber.spent && (
        <p className="text-plain">
          Spent so far: <span className="hand">{timber.spent}</span>
        </p>
      )}
      <p className="text-small text-soft">
        By {timber.priced}.{" "}
        {timber.unknown > 0 && (
          <span className="text-care">
            {timber.unknown} {timber.unknown === 1 ? "line has" : "lines have"} no price.{" "}
          </span>
        )}
        <Link to="/timber" className="text-act underline decoration-dotted underline-offset-3">
          Timber and prices
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
    <Section title="Sawing">
      <div className="flex items-baseline justify-between">
        <span className="text-soft">cut with</span>
        <Pick
          label="Saw"
          value={cutting.saw}
          options={options(stock.data?.saws)}
          onPick={(saw) => apply({ cutting: { saw, kerf: null } })}
        />
      </div>
      <div className="flex items-baseline justify-between">
        <span className="text-soft">boards of</span>
        <Pick
          label="Boards of"
          value={cutting.species}
          options={[{ value: "", label: "any wood" }, ...options(stock.data?.woods)]}
          onPick={(species) => apply({ cutting: { species } })}
        />
      </div>
      <BriefField path="cutting.kerf" label="each cut takes" optional placeholder={timber.kerf} />
      <BriefField path="cutting.trim" label="squared off each end" />
      <BriefField path="cutting.plane" label="left to plane when ripped" />
      {TO_SIZE.map(({ key, label, tool }) => (
        <div key={key} className="flex items-baseline justify-between">
          <span className="text-soft">{label}</span>
          <Pick
            label={label}
            value={cutting[key]}
            options={[
              { value: "with a tool", label: "with a tool", why: `Only with ${tool} in the workshop.` },
              { value: "by hand too", label: "by hand too", why: "With hand tools where there is no other." },
              { value: "never", label: "never", why: "Boards are taken as they are sold." },
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
            Stop block: {timber.stops.length} {timber.stops.length === 1 ? "setting" : "settings"}
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
          <span className="min-w-0 flex-1 truncate text-soft">left alone: {says}</span>
          <Button look="bare" onClick={() => apply(patch)}>
            Take it again
          </Button>
        </p>
      ))}
      <div className="flex items-baseline justify-between">
        <span className="text-soft">finish</span>
        <Pick
          label="Finish"
          value={cutting.finish}
          options={options(stock.data?.finishes)}
          onPick={(finish) => apply({ cutting: { finish, coats: null } })}
        />
      </div>
      {cutting.finish !== "none" && (
        <BriefField path="cutting.coats" label="coats" optional placeholder="as usual" />
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
    title: "Matched grain",
    none: "as it comes",
    says: "These come from one stick, one after another.",
    of: ({ parts }) => (parts.length > 1 ? parts : []),
  },
  {
    key: "backs",
    title: "Backs that nobody sees",
    none: "none",
    says: "These may have a flaw at the back, if it does not go through. Tell of each stick which of its flaws are only on its back.",
    of: ({ parts }) => parts,
  },
  {
    key: "turned",
    title: "Grain either way",
    none: "along the sheet",
    says: "These may lie across the sheet where that saves wood.",
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
      <summary className="cursor-pointer text-soft pointer-coarse:min-h-10">
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

function Shopping({ timber }: { timber: Timber }) {
  const id = useShown((shown) => shown.rack.id);
  return (
    <Section title="To buy">
      <Lines lines={timber.lines} />
      <Files url={(kind) => timberUrl(id, kind)} />
    </Section>
  );
}

/** Once it is sawn: sticks leave the rack of timber, offcuts come onto it, what was spent is kept. */
function CarryOut({ timber }: { timber: Timber }) {
  const id = useShown((shown) => shown.rack.id);
  const say = useSay();
  const [spent, setSpent] = useState("");
  const refresh = useRefresh();
  async function takeBack(sawing: string) {
    await api.takeBackTimber(id, sawing).catch((error: unknown) => say(reasonOf(error)));
    await refresh();
  }
  async function onDone() {
    try {
      const done = await api.carryOut(id, spent.trim() || null, timber.sawings.length);
      setSpent("");
      await refresh();
      const latest = done.sawings[0];
      say("Sawn: what was cut up is off the timber rack, offcuts are on it.", {
        label: "Undo",
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
    <Section title="When it is sawn">
      <p className="text-small text-soft">
        {!timber.groups.length
          ? `All is cut: ${timber.cut} ${timber.cut === 1 ? "piece" : "pieces"}.`
          : left.length === 0
            ? "Nothing worth keeping is left over."
            : `Back to the timber rack: ${left.map(({ long }) => long).join(", ")}.`}
      </p>
      <div className="mt-1 flex items-end gap-2">
        <label className="flex-1 text-plain text-soft">
          spent in all
          <input
            value={spent}
            onChange={(event) => setSpent(event.target.value)}
            placeholder={timber.total}
            inputMode="decimal"
            className="hand ml-2 min-h-7 w-24 border-b border-rule bg-transparent px-1 text-right text-ink pointer-coarse:min-h-10"
          />
        </label>
        <Button look="act" disabled={!timber.groups.length} onClick={() => onDone()}>
          It is sawn
        </Button>
      </div>
      {timber.sawings.map((sawing) => (
        <p key={sawing.id} className="mt-1 flex items-center gap-2 text-small">
          <span className="flex-1">
            {sawing.made_at}: {sawing.spent}, <span className="text-soft">{sawing.over}</span>
          </span>
          <Button look="bare" onClick={() => takeBack(sawing.id)}>
            Take back
          </Button>
        </p>
      ))}
    </Section>
  );
}
