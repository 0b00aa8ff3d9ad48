import { useState } from "react";

import { Measure } from "../../ui/Measure";
import { patchAt } from "../../api/patch";
import type { Obstacle, Wall } from "../../api/types";
import { useCatalogue } from "../../api/useCatalogue";
import { Button } from "../../ui/Button";
import { Field } from "../../ui/Field";
import { Pick, type Option } from "../../ui/Pick";
import { useDraft } from "../../ui/useDraft";
import { stepped } from "../rack/patches";
import { Section } from "../rack/Section";
import { obstaclePatch } from "./useWall";
import type { SurveyWrites } from "./writes";
import { t, word } from "../../messages";

const LININGS = {
  masonry: t("walls.plaster-thick"),
  planked: t("walls.planks-thick"),
  "timber studs": t("walls.board-thick"),
  "steel studs": t("walls.board-thick"),
};
const MAKEUPS = [
  {
    value: "timber studs",
    label: t("walls.board-on-timber-studs"),
    why: t("walls.knock-sounds-hollow-between-studs"),
  },
  {
    value: "steel studs",
    label: t("walls.board-on-steel-studs"),
    why: t("walls.magnet-finds-screws-studs-thin"),
  },
  { value: "masonry", label: t("walls.masonry"), why: t("walls.a-knock-sounds-dull-everywhere") },
  {
    value: "planked",
    label: t("walls.planks-or-sheet-on-studs"),
    why: t("walls.wood-holds-screw-by-itself"),
  },
];
const HINGES: Option<Obstacle["hinge"]>[] = [
  { value: "none", label: t("walls.no-leaf") },
  { value: "left", label: t("walls.hinged-left") },
  { value: "right", label: t("walls.hinged-right") },
];

interface Props {
  wall: Wall;
  writes: SurveyWrites;
}

const BLOCKS = [
  { value: "unknown", label: t("walls.not-known"), why: t("walls.weakest-counts-plug-in-aerated-block") },
  {
    value: "solid",
    label: t("walls.brick-or-concrete"),
    why: t("walls.bit-works-hard-all-way-dust"),
  },
  { value: "hollow", label: t("walls.hollow-blocks"), why: t("walls.bit-falls-through-cell") },
  { value: "aerated", label: t("walls.aerated-blocks"), why: t("walls.light-grey-white-bit-goes-in") },
];

/** A wall as it is measured: what it is, where its studs are, what is on it. */
export function SurveyFields({ wall, writes }: Props) {
  const survey = wall.design.survey;
  const framed = survey.makeup !== "masonry";
  const field = (path: string, label: string, optional = false) => (
    <Field
      name={path}
      label={label}
      value={wall.design.fields[path] ?? ""}
      placeholder={optional ? "—" : ""}
      onCommit={(text) => writes.change(patchAt(path, optional && !text ? null : text))}
      onStep={(by) =>
        writes.apply(({ design }) => patchAt(path, stepped(design.fields[path] ?? "", design.tape.name, by)))
      }
    />
  );
  return (
    <>
      <Section title={t("walls.the-wall")}>
        <div className="grid grid-cols-2 gap-x-3">
          {field("width", t("walls.wide"))}
          {field("height", t("walls.high"))}
          {field("skirting", t("walls.skirting"))}
          {field("skirting_thick", t("walls.skirting-thick"))}
          {field("way", t("walls.room-deep"), true)}
        </div>
        <div className="flex items-baseline justify-between gap-2">
          <span className="text-soft">{t("walls.made-of")}</span>
          <Pick
            label={t("walls.made-of-2")}
            value={survey.makeup}
            options={MAKEUPS}
            onPick={(makeup) => writes.apply({ makeup })}
          />
        </div>
        {field("lining", LININGS[survey.makeup])}
        {!framed && (
          <div className="flex items-baseline justify-between gap-2">
            <span className="text-soft">{t("walls.of")}</span>
            <Pick
              label={t("walls.masonry-of")}
              value={survey.block}
              options={BLOCKS}
              onPick={(block) => writes.apply({ block })}
            />
          </div>
        )}
      </Section>
      {framed && (
        <Section title={t("walls.studs")}>
          <div className="grid grid-cols-2 gap-x-3">
            {field("studs.first", t("walls.first-at"), true)}
            {field("studs.apart", t("walls.every"))}
            {field("studs.wide", t("walls.a-stud-is"))}
          </div>
          {wall.design.assumed && (
            <p role="note" className="text-plain text-care">
              <Measure text={wall.design.assumed} />
            </p>
          )}
          <Measured wall={wall} writes={writes} />
        </Section>
      )}
      <Obstacles wall={wall} writes={writes} />
      <OldFixings wall={wall} writes={writes} />
    </>
  );
}

/** Studs that were found one by one, which stand for the spacing. */
function Measured({ wall, writes }: Props) {
  const { measured } = wall.design.survey.studs;
  const shown = measured.length ? wall.design.studs.join("; ") : "";
  return (
    <Field
      name="studs.measured"
      label={t("walls.or-each-ones-middle")}
      value={shown}
      placeholder={wall.design.survey.trade === "us" ? "12; 28 1/4" : "310; 905"}
      wide
      onCommit={(text) =>
        writes.change({ studs: { measured: text.split(";").flatMap((one) => one.trim() || []) } })
      }
    />
  );
}

function Obstacles({ wall, writes }: Props) {
  const { obstacles } = wall.design.survey;
  const catalogue = useCatalogue(wall.design.survey.trade);
  const kinds = (catalogue.data?.obstacles ?? []).map(({ kind }) => ({ value: kind, label: word(kind) }));
  const put = (index: number, change: Partial<Obstacle>) => (stored: Wall) =>
    obstaclePatch(stored, index, change);
  return (
    <Section
      title={t("walls.on-the-wall")}
      aside={
        <Pick
          label={t("walls.add-something-on-the-wall")}
          value=""
          shown="+ add"
          options={kinds}
          onPick={(kind) => {
            const usual = catalogue.data?.obstacles.filter((one) => one.kind === kind) ?? [];
            writes.apply((stored) => ({ obstacles: [...stored.design.survey.obstacles, ...usual] }));
          }}
        />
      }
    >
      {obstacles.length === 0 && (
        <p className="text-small text-soft">{t("walls.doors-windows-switches-pipes-what-rack")}</p>
      )}
      {obstacles.map((one, index) => (
        <fieldset key={index} className="border-t border-rule py-1 first-of-type:border-t-0">
          <legend className="sr-only">
            {word(one.kind)} {index + 1}
          </legend>
          <div className="flex items-center gap-1">
            <Pick
              label={t("walls.kind")}
              value={one.kind}
              options={kinds}
              onPick={(kind) => writes.apply(put(index, { kind }))}
            />
            {["door", "hatch", "window"].includes(one.kind) && (
              <Pick
                label={t("walls.leaf")}
                value={one.hinge}
                options={HINGES}
                onPick={(hinge) => writes.apply(put(index, { hinge }))}
              />
            )}
            <span className="flex-1" />
            <Button
              look="bare"
              aria-label={t("walls.forget-the", { kind: one.kind })}
              onClick={() =>
                writes.apply((stored) => ({
                  obstacles: stored.design.survey.obstacles.filter((_, k) => k !== index),
                }))
              }
            >
              ×
            </Button>
          </div>
          <div className="grid grid-cols-2 gap-x-3">
            {(
              [
                ["x", t("walls.from-left")],
                ["y", t("walls.from-floor")],
                ["width", t("walls.wide")],
                ["height", t("walls.high")],
              ] as const
            ).map(([which, label]) => (
              <Field
                key={which}
                name={`obstacles.${index}.${which}`}
                label={label}
                value={wall.design.fields[`obstacles.${index}.${which}`] ?? ""}
                onCommit={(text) => writes.change(put(index, { [which]: text }))}
              />
            ))}
          </div>
        </fieldset>
      ))}
    </Section>
  );
}

function OldFixings({ wall, writes }: Props) {
  const { old } = wall.design.survey;
  const [text, setText, letGo] = useDraft(`${wall.id} old`, "");
  const [error, setError] = useState<string | null>(null);

  async function add() {
    const [x = "", y = ""] = text.split(";").map((one) => one.trim());
    if (!x || !y) return setError(t("walls.give-both-from-left-from-floor"));
    const outcome = await writes.change((stored) => ({ old: [...stored.design.survey.old, { x, y }] }));
    setError(outcome);
    if (outcome === null) letGo();
  }
  return (
    <Section title={t("walls.left-in-the-wall")}>
      <p className="text-small text-soft">{t("walls.old-screws-plugs-take-out-fill")}</p>
      {old.map((_, index) => (
        <div key={index} className="flex items-baseline justify-between">
          <span className="hand text-plain">
            {t("walls.from-the-left-up", {
              fields: wall.design.fields[`old.${index}.x`],
              fields2: wall.design.fields[`old.${index}.y`],
            })}
          </span>
          <Button
            look="bare"
            aria-label={t("walls.forget-old-fixing", { index: index + 1 })}
            onClick={() =>
              writes.apply((stored) => ({ old: stored.design.survey.old.filter((__, k) => k !== index) }))
            }
          >
            ×
          </Button>
        </div>
      ))}
      <form className="flex items-center gap-2" onSubmit={(event) => event.preventDefault()}>
        <input
          aria-label={t("walls.old-fixing-from-left-from-floor")}
          aria-invalid={error !== null}
          value={text}
          placeholder={wall.design.survey.trade === "us" ? "32 1/4; 64 1/2" : "820; 1640"}
          onChange={(event) => setText(event.target.value)}
          className="hand min-h-7 w-32 rounded-[3px] border border-rule bg-transparent px-1 aria-invalid:border-stop pointer-coarse:min-h-touch"
        />
        <Button type="submit" onClick={add}>
          {t("walls.add")}
        </Button>
      </form>
      {error && (
        <p role="alert" className="mt-1 border border-stop bg-stop-bg px-2 py-1 text-small text-stop">
          {error}
        </p>
      )}
    </Section>
  );
}
