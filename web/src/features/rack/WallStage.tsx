import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Link, useNavigate } from "react-router";

import { api } from "../../api/client";
import type { Standing } from "../../api/types";
import { Button } from "../../ui/Button";
import { Measure } from "../../ui/Measure";
import { Pick } from "../../ui/Pick";
import { Asking } from "../../ui/Working";
import { BriefField } from "./BriefField";
import { Section } from "./Section";
import { useSession, useShown } from "./shown";
import { useStanding } from "./useStanding";

const NONE = "none";
const WHO = [
  { value: "adult", label: "grown people" },
  { value: "child", label: "children too" },
  { value: "seated", label: "somebody in a chair" },
];

/** Where the rack hangs: which wall, where on it, who reaches, and what room is left around it. */
export function WallStage() {
  const on = useShown((shown) => shown.design.on_wall);
  const up = useShown((shown) => shown.design.up);
  return (
    <>
      <WhichWall />
      {on && (
        <>
          <Section title="Where on it">
            <BriefField path="place.x" label="from left" wide />
            <BriefField path="hung" label={up ? "foot at" : "hung"} wide />
            <p className="text-small text-soft">
              Drag the rack on its wall: it catches at studs, middles, neighbours and heights. Arrow keys move
              it a step of the tape.
            </p>
          </Section>
          <Aims />
          <Room />
        </>
      )}
    </>
  );
}

function WhichWall() {
  const { apply } = useSession();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const id = useShown((shown) => shown.rack.id);
  const tape = useShown((shown) => shown.design.tape.name);
  const on = useShown((shown) => shown.design.on_wall);
  const walls = useQuery({ queryKey: ["wallsFor", id], queryFn: () => api.wallsFor(id), staleTime: 0 });

  async function survey() {
    const wall = await api.makeWall("New wall", tape);
    void queries.invalidateQueries({ queryKey: ["walls"] });
    const choices = await api.wallsFor(id);
    apply(choices.find((one) => one.id === wall.id)?.patch ?? { place: { wall: wall.id } });
    void navigate(`/walls/${wall.id}`);
  }
  return (
    <Section
      title="Which wall"
      aside={
        on && (
          <Link to={`/walls/${on.wall}`} className="text-act underline decoration-dotted underline-offset-3">
            its survey
          </Link>
        )
      }
    >
      {on ? (
        <Pick
          label="Wall"
          value={on.wall}
          shown={on.name}
          options={[
            ...(walls.data ?? []).map(({ id: value, name, says }) => ({ value, label: name, why: says })),
            { value: NONE, label: "no wall", why: "Take it off this wall; its height stays." },
          ]}
          onPick={(picked) =>
            apply(walls.data?.find((one) => one.id === picked)?.patch ?? { place: { wall: null } })
          }
          className="w-full"
        />
      ) : (
        <>
          <p className="mb-2 text-plain text-soft">
            Without a wall nothing is known of studs, doors or other racks. Measure it once: every rack on it
            uses the same survey.
          </p>
          {walls.data?.map((wall) => (
            <button
              key={wall.id}
              type="button"
              className="mb-1.5 block w-full border border-rule px-2 py-1.5 text-left hover:border-ink pointer-coarse:min-h-10"
              onClick={() => apply(wall.patch)}
            >
              {wall.name}
              <span className="block text-small text-soft">{wall.says}</span>
            </button>
          ))}
        </>
      )}
      <Button onClick={() => survey()}>Survey a new wall</Button>
    </Section>
  );
}

function Aims() {
  const standing = useStanding();
  return (
    <Section title="Best places">
      <div className="hand grid grid-cols-[1fr_4.2rem_2.6rem_2.6rem] gap-x-1 text-fine text-soft" aria-hidden>
        <span className="col-start-2 text-right">from left</span>
        <span className="text-right">studs</span>
        <span className="text-right">holes</span>
      </div>
      {standing.data?.aims.map((aim) => (
        <Aim key={aim.aim} aim={aim} />
      ))}
      <Asking what="Trying every place" query={standing} of={["standing"]} />
    </Section>
  );
}

function Aim({ aim }: { aim: Standing["aims"][number] }) {
  const { apply, preview } = useSession();
  return (
    <button
      type="button"
      aria-pressed={aim.here}
      title={aim.why}
      className="grid w-full grid-cols-[1fr_4.2rem_2.6rem_2.6rem] items-baseline gap-x-1 rounded-[2px] px-0.5 py-0.5 text-left
        text-plain hover:bg-note-bg aria-pressed:bg-ink aria-pressed:text-paper pointer-coarse:min-h-10"
      onClick={() => apply(aim.patch)}
      onFocus={() => preview(aim.patch)}
      onBlur={() => preview(null)}
    >
      <span>
        {aim.name}
        <span className="block text-fine opacity-80">{aim.share}</span>
        {aim.but && (
          <span className="block text-fine opacity-80">
            <Measure text={aim.but} />
          </span>
        )}
      </span>
      <span className="hand text-right">
        <Measure text={aim.x} />
        <span className="sr-only"> from the left,</span>
      </span>
      <span className="hand text-right">
        {aim.studs || "—"}
        <span className="sr-only"> studs,</span>
      </span>
      <span className="hand text-right">
        {aim.screws}
        <span className="sr-only"> holes</span>
      </span>
    </button>
  );
}

function Room() {
  const { apply } = useSession();
  const on = useShown((shown) => shown.design.on_wall);
  const who = useShown(({ design }) => design.brief.place.who);
  return (
    <Section title="Who uses it, and the room">
      <div className="flex items-baseline justify-between gap-1">
        <span className="text-soft">reached by</span>
        <Pick
          label="Reached by"
          value={who}
          options={WHO}
          onPick={(next) => apply({ place: { who: next } })}
        />
      </div>
      <div className="grid grid-cols-2 gap-x-3">
        <BriefField path="place.reach" label="up to" optional placeholder={on?.reach ?? ""} />
        <BriefField path="place.hand" label="for a hand" />
        <BriefField path="place.way" label="way past" />
        <span className="flex items-baseline justify-between gap-1">
          <span className="text-soft">stands out</span>
          <span className="hand text-plain">
            <Measure text={on?.depth ?? ""} />
          </span>
        </span>
      </div>
    </Section>
  );
}
