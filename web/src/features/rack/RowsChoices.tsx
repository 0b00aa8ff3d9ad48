import { Fragment, useState } from "react";

import { api, saidOf } from "../../api/client";
import type { Catalogue, Design, Most as MostThere } from "../../api/types";
import { Button } from "../../ui/Button";
import { Field } from "../../ui/Field";
import { readCount } from "../../ui/count";
import { Pick } from "../../ui/Pick";
import { Switch } from "../../ui/Switch";
import { BriefField } from "./BriefField";
import { Fig } from "./Fig";
import { ALIKE, MAIN, ownRowPatch, rowsOf } from "./patches";
import { matching, options, OWN } from "./listed";
import { Section } from "./Section";
import { useSession, useShown } from "./shown";
import { t } from "../../messages";

const LAYOUTS = [
  { value: "straight", label: t("rack.straight"), hint: t("rack.each-below-the-one-above") },
  { value: "staggered", label: t("rack.staggered"), hint: t("rack.every-second-row-half-pitch-over") },
];
const STAGGERS = [
  { value: "fewer", label: t("rack.one-fewer") },
  { value: "ends", label: t("rack.to-the-ends") },
];
const BOARDS = [
  { value: "one", label: t("rack.on-one-board") },
  { value: "each", label: t("rack.a-board-each") },
];
const MOST_LISTED = 12;
/** A row that hangs several kinds in an order of its own. */
const MIXED = "+";

/** Several rows, one below the other: how they stand, what they hang, how far apart. */
export function RowsChoices({ holders }: { holders: Catalogue["holders"] }) {
  const ownBoards = useShown((shown) => shown.design.several === "boards");
  const { apply } = useSession();
  const rows = useShown((shown) => rowsOf(shown.design));
  const several = rows.count > 1;
  return (
    <Section
      title={t("rack.rows")}
      aside={<BriefField path="rows.count" label={t("rack.how-many-2")} boxed />}
    >
      {several && (
        <>
          <div className="flex flex-wrap gap-1.5">
            <Switch
              label={t("rack.how-rows-stand")}
              value={rows.layout}
              options={LAYOUTS}
              onPick={(layout) => apply({ rows: { layout } })}
            />
            {rows.layout === "staggered" && (
              <Switch
                label={t("rack.offset-rows")}
                value={rows.stagger}
                options={STAGGERS}
                onPick={(stagger) => apply({ rows: { stagger } })}
              />
            )}
            {ownBoards && (
              <Switch
                label={t("rack.boards")}
                value={rows.boards}
                options={BOARDS}
                onPick={(boards) => apply({ rows: { boards } })}
              />
            )}
          </div>
          <BriefField path="rows.drop" label={t("rack.drop")} italic={rows.drop === null} />
          <BriefField path="rows.lift" label={t("rack.lift-off")} />
          <div className="flex items-baseline justify-between">
            <Fig name="rows.drop" label={t("rack.first-drop")} />
            {rows.drop !== null && (
              <button
                type="button"
                className="text-fine text-act underline decoration-dotted"
                onClick={() => apply({ rows: { drop: null } })}
              >
                {t("rack.as-little-as-they-need")}
              </button>
            )}
          </div>
          {Array.from({ length: Math.min(rows.count, MOST_LISTED) - 1 }, (_, k) => (
            <Fragment key={k}>
              <OneRow index={k + 1} />
              <RowHolder number={String(k + 2)} choices={holders} />
            </Fragment>
          ))}
        </>
      )}
      <Most />
    </Section>
  );
}

const SIZES: Record<string, [string, string][]> = {
  hook: [
    ["plate_width", t("rack.wide")],
    ["plate_height", t("rack.tall")],
    ["screw_length", t("rack.screw")],
    ["throat", t("rack.throat")],
  ],
  peg: [
    ["diameter", t("rack.dowel")],
    ["tilt", t("rack.tilt")],
    ["depth", t("rack.deep")],
    ["showing", t("rack.showing")],
  ],
};

/** What holds one of the lower rows, where that may be another kind than in the first. */
function RowHolder({ number, choices }: { number: string; choices: Catalogue["holders"] }) {
  const { apply } = useSession();
  const asked = useShown(({ design: { brief } }) => ("holders" in brief ? brief.holders : null));
  if (!asked) return null;
  const own = asked[number];
  const key = own ? matching(choices, own) : ALIKE;
  return (
    <>
      <div className="flex items-center gap-1.5">
        <span className="w-12 shrink-0 text-right text-soft">{t("rack.on")}</span>
        <Pick
          label={t("rack.row-is-held-by", { number })}
          value={key}
          options={[
            { value: ALIKE, label: t("rack.the-same-as-row-1") },
            ...options(choices),
            ...(key === OWN ? [{ value: OWN, label: t("rack.some-of-your-own-sizes") }] : []),
          ]}
          onPick={(next) =>
            next !== OWN &&
            apply({
              holders: {
                [number]: next === ALIKE ? null : (choices.find((one) => one.key === next)?.patch ?? null),
              },
            })
          }
          className="flex-1"
        />
      </div>
      {own && SIZES[String(own["kind"])] && (
        <div className="pl-13.5">
          {SIZES[String(own["kind"])]?.map(([field, label]) => (
            <BriefField
              key={field}
              path={`holders.${number}.${field}`}
              label={t("rack.row", { label, number })}
            />
          ))}
        </div>
      )}
    </>
  );
}

/** What hangs on the second of two rails, where there is one. */
export function SecondRow() {
  const there = useShown((shown) => shown.design.rows.length > 1);
  return there ? (
    <Section title={t("rack.lower-rail")}>
      <OneRow index={1} counted={false} />
    </Section>
  ) : null;
}

/** What is the most that this wall takes? Said before it is taken. */
function Most() {
  const session = useSession();
  const brief = useShown((shown) => shown.rack.design.brief);
  const [found, setFound] = useState<{ brief: unknown; text: string; most: MostThere } | null>(null);
  const offer = found?.brief === brief ? found : null;
  async function look(text: string): Promise<string | null> {
    if (!text) return null;
    try {
      setFound({ brief, text, most: await api.most(brief, text) });
      return null;
    } catch (error) {
      return saidOf(error);
    }
  }
  return (
    <>
      <Field
        name="most"
        label={t("rack.most-on-wall")}
        value={offer?.text ?? ""}
        onCommit={look}
        wide
        placeholder={t("rack.how-wide")}
      />
      {offer && (
        <p role="status" className="my-1 border-l-4 border-act bg-paper px-2 py-1 text-plain">
          {offer.most.says}{" "}
          <Button look="act" onClick={() => session.apply(offer.most.patch)}>
            {t("rack.hang-the-most")}
          </Button>
        </p>
      )}
    </>
  );
}

/** What one of the lower rows hangs: as the first, mixed things, or one kind alone and how many of it. */
function OneRow({ index, counted = true }: { index: number; counted?: boolean }) {
  const session = useSession();
  const { apply, change } = session;
  const kind = useShown((shown) => shown.design.rows[index]?.kind ?? ALIKE);
  const count = useShown((shown) => shown.design.rows[index]?.count ?? 0);
  const held = useShown((shown) => rowsOf(shown.design).own[index]?.count != null);
  const pins = useShown((shown) => rowsOf(shown.design).own[index]?.pins?.length ?? 0);
  const brief = useShown((shown) => shown.design.brief);
  const mixed = useShown((shown) => (rowsOf(shown.design).own[index]?.order?.length ?? 0) > 0);
  const kinds = [
    ...(mixed ? [{ value: MIXED, label: t("rack.mixed-things") }] : []),
    { value: ALIKE, label: t("rack.as-row-1") },
    { value: MAIN, label: brief.item.plural },
    ...Object.entries(brief.others).map(([value, { plural }]) => ({ value, label: plural })),
  ];
  const set = (next: number | null) => (design: Design) => ownRowPatch(design, index, { count: next });
  return (
    <div className="flex items-center gap-1.5">
      <span className="w-12 shrink-0 text-soft">{t("rack.row-2", { index: index + 1 })}</span>
      <Pick
        label={t("rack.row-hangs", { index: index + 1 })}
        value={mixed ? MIXED : kind}
        options={kinds}
        onPick={(next) =>
          next !== MIXED &&
          apply((design) => ownRowPatch(design, index, { kind: next, count: null, pins: [], order: [] }))
        }
        className="flex-1"
      />
      {counted && !mixed && kind !== ALIKE && (
        <>
          <Field
            name={`rows.${index}.count`}
            label={t("rack.how-many-in-row", { index: index + 1 })}
            labelHidden
            boxed
            className="[&_input]:w-10"
            value={String(count)}
            italic={!held}
            onCommit={(text) => {
              const next = readCount(text, 1);
              return typeof next === "string" ? Promise.resolve(next) : change(set(next));
            }}
            onStep={(direction) =>
              session.press(`row ${index}`, direction, (design, by) =>
                set(Math.max(1, (design.rows[index]?.count ?? 0) + by))(design),
              )
            }
          />
          {held && (
            <button
              type="button"
              className="text-fine text-act underline decoration-dotted"
              onClick={() => apply(set(null))}
            >
              {t("rack.most")}
            </button>
          )}
        </>
      )}
      {pins > 0 && (
        <Button onClick={() => apply((design) => ownRowPatch(design, index, { pins: [] }))}>
          {t("rack.let-go-of-pinned", { pins })}
        </Button>
      )}
    </div>
  );
}
