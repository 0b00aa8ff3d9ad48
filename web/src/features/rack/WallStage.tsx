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
import { t } from "../../messages";

const NONE = "none";
const WHO = [
  { value: "adult", label: t("rack.grown-people") },
  { value: "child", label: t("rack.children-too") },
  { value: "seated", label: t("rack.somebody-in-a-chair") },
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
          <Section title={t("rack.where-on-it")}>
            <BriefField path="place.x" label={t("rack.from-left")} wide />
            <BriefField path="hung" label={up ? t("rack.foot-at") : t("rack.hung")} wide />
            <p className="text-small text-soft">{t("rack.drag-rack-on-its-wall-catches")}</p>
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
  const trade = useShown((shown) => shown.design.brief.trade);
  const tape = useShown((shown) => shown.design.tape.name);
  const on = useShown((shown) => shown.design.on_wall);
  const walls = useQuery({ queryKey: ["wallsFor", id], queryFn: () => api.wallsFor(id), staleTime: 0 });

  async function survey() {
    const wall = await api.makeWall(t("rack.new-wall"), { trade, tape });
    void queries.invalidateQueries({ queryKey: ["walls"] });
    const choices = await api.wallsFor(id);
    apply(choices.find((one) => one.id === wall.id)?.patch ?? { place: { wall: wall.id } });
    void navigate(`/walls/${wall.id}`);
  }
  return (
    <Section
      title={t("rack.which-wall")}
      aside={
        on && (
          <Link to={`/walls/${on.wall}`} className="act-link">
            {t("rack.its-survey")}
          </Link>
        )
      }
    >
      {on ? (
        <Pick
          label={t("rack.wall")}
          value={on.wall}
          shown={on.name}
          options={[
            ...(walls.data ?? []).map(({ id: value, name, says }) => ({ value, label: name, why: says })),
            { value: NONE, label: t("rack.no-wall"), why: t("rack.take-off-this-wall-its-height") },
          ]}
          onPick={(picked) =>
            apply(walls.data?.find((one) => one.id === picked)?.patch ?? { place: { wall: null } })
          }
          className="w-full"
        />
      ) : (
        <>
          <p className="mb-2 text-plain text-soft">{t("rack.without-wall-nothing-known-studs-doors")}</p>
          {walls.data?.map((wall) => (
            <button
              key={wall.id}
              type="button"
              className="mb-1.5 block w-full border border-rule px-2 py-1.5 text-left hover:border-ink pointer-coarse:min-h-touch"
              onClick={() => apply(wall.patch)}
            >
              {wall.name}
              <span className="block text-small text-soft">{wall.says}</span>
            </button>
          ))}
        </>
      )}
      <Button onClick={() => survey()}>{t("rack.survey-a-new-wall")}</Button>
    </Section>
  );
}

function Aims() {
  const standing = useStanding();
  return (
    <Section title={t("rack.best-places")}>
      <div className="hand grid grid-cols-[1fr_4.2rem_2.6rem_2.6rem] gap-x-1 text-fine text-soft" aria-hidden>
        <span className="col-start-2 text-right">{t("rack.from-left")}</span>
        <span className="text-right">{t("rack.studs")}</span>
        <span className="text-right">{t("rack.holes")}</span>
      </div>
      {standing.data?.assumed && (
        <p role="note" className="text-plain text-care">
          <Measure text={standing.data.assumed} />
        </p>
      )}
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
        text-plain hover:bg-note-bg aria-pressed:bg-ink aria-pressed:text-paper pointer-coarse:min-h-touch"
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
        <span className="sr-only"> {t("rack.from-the-left-3")}</span>
      </span>
      <span className="hand text-right">
        {aim.studs || "—"}
        <span className="sr-only"> {t("rack.studs-2")}</span>
      </span>
      <span className="hand text-right">
        {aim.screws}
        <span className="sr-only"> {t("rack.holes")}</span>
      </span>
    </button>
  );
}

function Room() {
  const { apply } = useSession();
  const on = useShown((shown) => shown.design.on_wall);
  const who = useShown(({ design }) => design.brief.place.who);
  return (
    <Section title={t("rack.who-uses-room")}>
      <div className="flex items-baseline justify-between gap-1">
        <span className="text-soft">{t("rack.reached-by")}</span>
        <Pick
          label={t("rack.reached-by-2")}
          value={who}
          options={WHO}
          onPick={(next) => apply({ place: { who: next } })}
        />
      </div>
      <div className="grid grid-cols-2 gap-x-3">
        <BriefField path="place.reach" label={t("rack.up-to")} optional placeholder={on?.reach ?? ""} />
        <BriefField path="place.hand" label={t("rack.for-a-hand")} />
        <BriefField path="place.way" label={t("rack.way-past")} />
        <span className="flex items-baseline justify-between gap-1">
          <span className="text-soft">{t("rack.stands-out")}</span>
          <span className="hand text-plain">
            <Measure text={on?.depth ?? ""} />
          </span>
        </span>
      </div>
    </Section>
  );
}
