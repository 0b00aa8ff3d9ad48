import { useState } from "react";

import { api, reasonOf } from "../../api/client";
import type { Brief, Catalogue, ItemChoice, Reordered } from "../../api/types";
import { Button } from "../../ui/Button";
import { readCount } from "../../ui/count";
import { Dialog } from "../../ui/Dialog";
import { Field } from "../../ui/Field";
import { Measure } from "../../ui/Measure";
import { Pick } from "../../ui/Pick";
import { useSay } from "../../ui/Toasts";
import { Working } from "../../ui/Working";
import { FoundShelf } from "../items/FoundShelf";
import { BriefField, GapField } from "./BriefField";
import { KindSheet } from "./KindSheet";
import { addKindPatch, kindCountPatch, MAIN, removeKindPatch, rowOf, countOf } from "./patches";
import { Section } from "./Section";
import { useSession, useShown } from "./shown";
import { t } from "../../messages";

type Sheet = { on: "add" } | { on: "replace" } | { on: "measure"; kind: string };

const FACINGS = [
  { value: "given", label: t("rack.as-measured") },
  { value: "turned", label: t("rack.all-turned-round") },
  { value: "pairs", label: t("rack.in-pairs-back-to-back"), why: t("rack.every-second-one-is-turned") },
  { value: "mirrored", label: t("rack.mirrored"), why: t("rack.right-half-faces-left") },
];

/** What hangs: each kind with its number and width, the air between, and the order of mixed things. */
export function Hanging({ catalogue }: { catalogue: Catalogue }) {
  const session = useSession();
  const { apply } = session;
  const item = useShown((shown) => shown.design.brief.item);
  const others = useShown((shown) => shown.design.brief.others);
  const facing = useShown((shown) => rowOf(shown.design).facing);
  const airy = useShown((shown) => rowOf(shown.design).spacing === "air");
  const kinds = [[MAIN, item] as const, ...Object.entries(others)];
  const mixed = useShown(({ design }) => new Set(design.things.kind).size > 1);
  const first = useShown(
    ({ design }) =>
      design.rows.length > 1 &&
      (design.up ? t("rack.on-the", { names: design.rows[0]?.names }) : t("rack.in-row-1")),
  );
  const sided = kinds.some(([, one]) => one.left !== one.right);
  const [sheet, setSheet] = useState<Sheet | null>(null);

  function add(found: ItemChoice) {
    const there = kinds.find(([, one]) => one.name === found.name)?.[0];
    if (there !== undefined) apply((design) => kindCountPatch(design, there, countOf(design, there) + 1));
    else apply((design) => addKindPatch(design, found.key, found.patch));
  }
  function pick(found: ItemChoice) {
    if (sheet?.on === "add") add(found);
    else apply({ item: found.patch, row: { air: found.air } });
    setSheet(null);
  }

  return (
    <Section
      title={t("rack.what-hangs")}
      aside={
        <Button look="bare" onClick={() => setSheet({ on: "add" })}>
          {t("rack.another-kind")}
        </Button>
      }
    >
      <div aria-hidden className="hand flex justify-between pr-1 pl-13 text-fine text-soft">
        <span>{first ? t("rack.of-what", { first }) : t("rack.of-what-2")}</span>
        <span className={kinds.length > 1 ? "pr-7" : ""}>{t("rack.wide")}</span>
      </div>
      {kinds.map(([kind, one]) => (
        <Kind
          key={kind}
          kind={kind}
          item={one}
          alone={kinds.length === 1}
          onMeasure={() => setSheet({ on: "measure", kind })}
          onReplace={() => setSheet({ on: "replace" })}
        />
      ))}
      <div className="grid grid-cols-2 gap-x-3">
        {!airy && <GapField />}
        <BriefField path="row.spares" label={t("rack.spare")} />
      </div>
      {sided && (
        <Line label={t("rack.facing")}>
          <Pick
            label={t("rack.facing-2")}
            value={facing}
            options={FACINGS}
            onPick={(next) => apply({ row: { facing: next } })}
          />
        </Line>
      )}
      {mixed && <Reorder />}
      {sheet?.on === "measure" ? (
        <KindSheet kind={sheet.kind} catalogue={catalogue} onClose={() => setSheet(null)} />
      ) : (
        sheet && (
          <Dialog
            open
            wide
            title={sheet.on === "add" ? t("rack.what-else-hangs-here") : t("rack.what-hangs-here-instead")}
            onOpenChange={(open) => !open && setSheet(null)}
          >
            <FoundShelf items={catalogue.items} groups={catalogue.groups} onPick={pick} />
          </Dialog>
        )
      )}
    </Section>
  );
}

function Line({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <div className="flex items-center justify-between gap-2">
      <span className="text-soft">{label}</span>
      {children}
    </div>
  );
}

interface KindProps {
  kind: string;
  item: Brief["item"];
  alone: boolean;
  onMeasure: () => void;
  onReplace: () => void;
}

/** One kind on a line: how many, what, how wide. */
function Kind({ kind, item, alone, onMeasure, onReplace }: KindProps) {
  const session = useSession();
  const count = useShown(({ design }) => countOf(design, kind));
  const least = alone ? 1 : 0;
  const path = kind === MAIN ? "item.width" : `others.${kind}.width`;
  const set = (next: number) => session.change((design) => kindCountPatch(design, kind, next));
  return (
    <div className="flex items-center gap-1.5">
      <Field
        name={`${path} count`}
        label={t("rack.how-many", { plural: item.plural })}
        labelHidden
        boxed
        className="[&_input]:w-10"
        value={String(count)}
        onCommit={(text) => {
          const next = readCount(text, least);
          return typeof next === "string" ? Promise.resolve(next) : set(next);
        }}
        onStep={(direction) =>
          session.press(`kind ${kind}`, direction, (design, by) =>
            kindCountPatch(design, kind, Math.max(countOf(design, kind) + by, least)),
          )
        }
      />
      <button
        type="button"
        title={t("rack.measure-it")}
        className="hand min-h-7 min-w-0 flex-1 truncate px-1 text-left text-plain underline decoration-dotted underline-offset-3 pointer-coarse:min-h-touch"
        onClick={onMeasure}
      >
        {item.plural}
      </button>
      {alone && (
        <Button
          look="bare"
          aria-label={t("rack.hang-something-else")}
          title={t("rack.hang-something-else")}
          onClick={onReplace}
        >
          ⇄
        </Button>
      )}
      <BriefField path={path} label={t("rack.width-of-the", { plural: item.plural })} labelHidden />
      {!alone && (
        <Button
          look="bare"
          aria-label={t("rack.take-the-off", { plural: item.plural })}
          onClick={() => session.apply((design) => removeKindPatch(design, kind))}
        >
          ×
        </Button>
      )}
    </div>
  );
}

const AIMS = [
  ["length", t("rack.shortest-board")],
  ["pitch", t("rack.least-pitch")],
] as const;

/** A better order: what it would bring is shown before it is taken. */
function Reorder() {
  const session = useSession();
  const airy = useShown((shown) => rowOf(shown.design).spacing === "air");
  const [found, setFound] = useState<{ aim: string; result: Reordered; brief: unknown } | null>(null);
  const [trying, setTrying] = useState<AbortController | null>(null);
  const say = useSay();
  const brief = useShown((shown) => shown.rack.design.brief);
  const offer = found?.brief === brief ? found : null;

  async function look(aim: "length" | "pitch", words: string) {
    const stop = new AbortController();
    setTrying(stop);
    try {
      const result = await api.reorder(brief, aim, stop.signal);
      setFound({ aim: words, result, brief });
      if (result.changes) session.preview(result.patch);
    } catch (error) {
      if (!stop.signal.aborted) say(reasonOf(error));
    } finally {
      setTrying(null);
    }
  }
  function leave() {
    setFound(null);
    session.preview(null);
  }
  return (
    <>
      <Line label={t("rack.order-for")}>
        <span className="flex gap-1">
          {AIMS.filter(([aim]) => aim === "length" || !airy).map(([aim, words]) => (
            <Button key={aim} disabled={trying !== null} onClick={() => look(aim, words)}>
              {words}
            </Button>
          ))}
        </span>
      </Line>
      <Working what="Trying orders" running={trying !== null} onStop={() => trying?.abort()} />
      {offer && (
        <div role="status" className="my-1 border-l-4 border-act bg-paper px-2 py-1 text-plain">
          {offer.result.changes ? (
            <>
              {offer.aim}: <Measure text={offer.result.before} /> →{" "}
              <b>
                <Measure text={offer.result.after} />
              </b>
              , {offer.result.proved ? t("rack.proved-best") : t("rack.the-best-found-not-proved")}{" "}
              <span className="mt-1 flex gap-1.5">
                <Button
                  look="act"
                  onClick={() => {
                    setFound(null);
                    session.apply(offer.result.patch);
                  }}
                >
                  {t("rack.take-this-order")}
                </Button>
                <Button onClick={leave}>{t("rack.leave-it")}</Button>
              </span>
            </>
          ) : (
            <>
              {offer.aim}: <Measure text={offer.result.before} />{" "}
              {t("rack.already", {
                what: offer.result.proved ? t("rack.proved-best") : t("rack.and-nothing-better-was-found"),
              })}
            </>
          )}
        </div>
      )}
    </>
  );
}
