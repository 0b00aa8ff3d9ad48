import { useState } from "react";

import { patchAt } from "../../api/patch";
import type { Obstacle, Wall } from "../../api/types";
import { useCatalogue } from "../../api/useCatalogue";
import { Button } from "../../ui/Button";
import { Field } from "../../ui/Field";
import { Pick, type Option } from "../../ui/Pick";
import { stepped } from "../rack/patches";
import { Section } from "../rack/Section";
import { obstaclePatch } from "./useWall";
import type { SurveyWrites } from "./writes";

const LININGS = {
  masonry: "plaster thick",
  planked: "planks thick",
  "timber studs": "board thick",
  "steel studs": "board thick",
};
const MAKEUPS = [
  { value: "timber studs", label: "board on timber studs", why: "A knock sounds hollow between the studs." },
  {
    value: "steel studs",
    label: "board on steel studs",
    why: "A magnet finds the screws, and the studs are thin.",
  },
  { value: "masonry", label: "masonry", why: "A knock sounds dull everywhere." },
  { value: "planked", label: "planks or sheet on studs", why: "Wood that holds a screw by itself." },
];
const HINGES: Option<Obstacle["hinge"]>[] = [
  { value: "none", label: "no leaf" },
  { value: "left", label: "hinged left" },
  { value: "right", label: "hinged right" },
];

interface Props {
  wall: Wall;
  writes: SurveyWrites;
}

const BLOCKS = [
  { value: "unknown", label: "not known", why: "The weakest counts: a plug in an aerated block." },
  {
    value: "solid",
    label: "brick or concrete",
    why: "The bit works hard all the way, and the dust is red or grey.",
  },
  { value: "hollow", label: "hollow blocks", why: "The bit falls through a cell." },
  { value: "aerated", label: "aerated blocks", why: "Light and grey-white: the bit goes in as into chalk." },
];

/** A wall as it is measured: what it is, where its studs are, what is on it. */
export function SurveyFields({ wall, writes }: Props) {
  const survey = wall.design.survey;
  const framed = survey.makeup !== "masonry";
  const field = (path: string, label: string, optional = false) => (
    <Field
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
      <Section title="The wall">
        <div className="grid grid-cols-2 gap-x-3">
          {field("width", "wide")}
          {field("height", "high")}
          {field("skirting", "skirting")}
          {field("skirting_thick", "thick")}
          {field("way", "room deep", true)}
        </div>
        <div className="flex items-baseline justify-between gap-2">
          <span className="text-soft">made of</span>
          <Pick
            label="Made of"
            value={survey.makeup}
            options={MAKEUPS}
            onPick={(makeup) => writes.apply({ makeup })}
          />
        </div>
        {field("lining", LININGS[survey.makeup])}
        {!framed && (
          <div className="flex items-baseline justify-between gap-2">
            <span className="text-soft">of</span>
            <Pick
              label="Masonry of"
              value={survey.block}
              options={BLOCKS}
              onPick={(block) => writes.apply({ block })}
            />
          </div>
        )}
      </Section>
      {framed && (
        <Section title="Studs">
          <div className="grid grid-cols-2 gap-x-3">
            {field("studs.first", "first at")}
            {field("studs.apart", "every")}
            {field("studs.wide", "a stud is")}
          </div>
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
      label="or each one's middle"
      value={shown}
      placeholder="310; 905"
      wide
      onCommit={(text) =>
        writes.change({ studs: { measured: text.split(";").flatMap((one) => one.trim() || []) } })
      }
    />
  );
}

function Obstacles({ wall, writes }: Props) {
  const { obstacles } = wall.design.survey;
  const catalogue = useCatalogue();
  const kinds = (catalogue.data?.obstacles ?? []).map(({ kind }) => ({ value: kind, label: kind }));
  const put = (index: number, change: Partial<Obstacle>) => (stored: Wall) =>
    obstaclePatch(stored, index, change);
  return (
    <Section
      title="On the wall"
      aside={
        <Pick
          label="Add something on the wall"
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
        <p className="text-small text-soft">Doors, windows, switches, pipes: what a rack keeps off.</p>
      )}
      {obstacles.map((one, index) => (
        <fieldset key={index} className="border-t border-rule py-1 first-of-type:border-t-0">
          <legend className="sr-only">
            {one.kind} {index + 1}
          </legend>
          <div className="flex items-center gap-1">
            <Pick
              label="Kind"
              value={one.kind}
              options={kinds}
              onPick={(kind) => writes.apply(put(index, { kind }))}
            />
            {["door", "hatch", "window"].includes(one.kind) && (
              <Pick
                label="Leaf"
                value={one.hinge}
                options={HINGES}
                onPick={(hinge) => writes.apply(put(index, { hinge }))}
              />
            )}
            <span className="flex-1" />
            <Button
              look="bare"
              aria-label={`Forget the ${one.kind}`}
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
                ["x", "from left"],
                ["y", "from floor"],
                ["width", "wide"],
                ["height", "high"],
              ] as const
            ).map(([which, label]) => (
              <Field
                key={which}
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
  const [text, setText] = useState("");
  const [error, setError] = useState<string | null>(null);

  async function add() {
    const [x = "", y = ""] = text.split(";").map((one) => one.trim());
    if (!x || !y) return setError("Give both, from the left and from the floor: 820; 1640.");
    const outcome = await writes.change((stored) => ({ old: [...stored.design.survey.old, { x, y }] }));
    setError(outcome);
    if (outcome === null) setText("");
  }
  return (
    <Section title="Left in the wall">
      <p className="text-small text-soft">
        Old screws and plugs, to take out and fill first: no new hole comes near.
      </p>
      {old.map((_, index) => (
        <div key={index} className="flex items-baseline justify-between">
          <span className="hand text-plain">
            {wall.design.fields[`old.${index}.x`]} from the left, {wall.design.fields[`old.${index}.y`]} up
          </span>
          <Button
            look="bare"
            aria-label={`Forget old fixing ${index + 1}`}
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
          aria-label="Old fixing: from the left; from the floor"
          aria-invalid={error !== null}
          value={text}
          placeholder="820; 1640"
          onChange={(event) => setText(event.target.value)}
          className="hand min-h-7 w-32 rounded-[3px] border border-rule bg-transparent px-1 aria-invalid:border-stop pointer-coarse:min-h-10"
        />
        <Button type="submit" onClick={add}>
          Add
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
