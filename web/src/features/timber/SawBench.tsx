import { useQueries } from "@tanstack/react-query";
import { useState, type PointerEvent } from "react";

import { api } from "../../api/client";
import type { Design, Sawn, Timber, TimberGroup } from "../../api/types";
import { Button } from "../../ui/Button";
import { Measure } from "../../ui/Measure";
import { Asking } from "../../ui/Working";
import { useWidth } from "../../ui/useWidth";
import { useSession, useShown } from "../rack/shown";
import { useShortcuts } from "../rack/useShortcuts";
import { AsSawn } from "./AsSawn";
import { Shopping } from "./Shopping";
import { GroupHead, Order, StickSays } from "./Sticks";
import { StickDrawing } from "./StickDrawing";
import { kindOf, lockPatch, movePatch, sticks, useTimber } from "./useTimber";
import { t } from "../../messages";

const ENDS = ["pointerup", "pointercancel"] as const;
const NEAR = 5;
const MOST_TRIED = 8;
/** More than so many are told when they are asked for. */
const FEW = 6;

interface Picked {
  piece: string;
  from: Sawn;
  group: TimberGroup;
}

/** The sticks on the bench, one scale for all, each with what is sawn from it; pieces are dragged from one to another. */
export function SawBench({ onHelp }: { onHelp: () => void }) {
  const session = useSession();
  const timber = useTimber();
  const [picked, setPicked] = useState<Picked | null>(null);
  const [over, setOver] = useState<string | null>(null);
  const [bench, width] = useWidth<HTMLDivElement>();
  useShortcuts({
    "?": onHelp,
    escape: () => setPicked(null),
    undo: () => session.undo(),
    redo: () => session.redo(),
  });

  const all = timber.data ? sticks(timber.data) : [];
  const longest = Math.max(600, ...all.map((stick) => stick.long_mm));
  const scale = Math.max(width - 44, 260) / longest;

  function move({ piece, from }: Picked, to: Sawn) {
    session.apply(movePatch(piece, from, to));
    setPicked(null);
  }
  function onDrag(now: Picked, start: PointerEvent) {
    if (start.button !== 0) return;
    const at = { x: start.clientX, y: start.clientY };
    let moving = false;
    const under = (event: globalThis.PointerEvent) => {
      const key = document
        .elementFromPoint(event.clientX, event.clientY)
        ?.closest<HTMLElement>("[data-stick]")?.dataset["stick"];
      return now.group.sawn.find((stick) => stick.key === key && stick !== now.from);
    };
    const onMove = (event: globalThis.PointerEvent) => {
      moving ||= Math.hypot(event.clientX - at.x, event.clientY - at.y) > NEAR;
      if (!moving) return;
      setPicked(now);
      setOver(under(event)?.key ?? null);
    };
    const onUp = (event: globalThis.PointerEvent) => {
      for (const end of ENDS) window.removeEventListener(end, onUp);
      window.removeEventListener("pointermove", onMove);
      setOver(null);
      const to = moving && event.type === "pointerup" && under(event);
      if (to) move(now, to);
      // A tap that was taken for a drag makes no click.
      else if (!moving && event.pointerType === "touch" && event.type === "pointerup") setPicked(now);
    };
    window.addEventListener("pointermove", onMove);
    for (const end of ENDS) window.addEventListener(end, onUp);
  }

  return (
    <section
      ref={bench}
      aria-label={t("timber.cut-plan")}
      className="min-w-0 flex-1 overflow-x-hidden bg-wall px-3 pb-6 md:overflow-y-auto"
    >
      <Asking what="Laying the sticks out" query={timber} of={["timber"]} />
      {timber.data?.groups.length === 0 && (
        <p className="pt-6 text-soft">
          {timber.data.cut ? t("timber.all-is-cut") : t("timber.nothing-is-cut-for-it")}
        </p>
      )}
      {timber.data?.groups.map((group, index) => (
        <div key={index} className="pt-3">
          <GroupHead group={group} />
          {group.sawn.map((stick) => (
            <OneStick
              key={stick.key}
              stick={stick}
              scale={scale}
              picked={picked?.from.key === stick.key ? picked.piece : null}
              over={over === stick.key}
              onPick={(piece) =>
                setPicked((old) => (old?.piece === piece ? null : { piece, from: stick, group }))
              }
              onDrag={(piece, event) => onDrag({ piece, from: stick, group }, event)}
            />
          ))}
          {picked?.group.says === group.says && (
            <Elsewhere picked={picked} timber={timber.data} onMove={(to) => move(picked, to)} />
          )}
        </div>
      ))}
      {timber.data && <Shopping timber={timber.data} />}
      {timber.data && timber.data.unused.length > 0 && <Left sticks={timber.data.unused} />}
      {timber.data && timber.data.cut > 0 && <AsSawn room={Math.max(width - 44, 260)} />}
    </section>
  );
}

/** What lies there and is not cut up, and why. */
const Left = ({ sticks }: { sticks: Timber["unused"] }) => (
  <details className="pt-3 text-plain" open={sticks.length <= FEW}>
    <summary className="cursor-pointer border-b border-rule text-soft pointer-coarse:min-h-touch">
      {t("timber.on-hand-and-not-used", { count: sticks.length })}
    </summary>
    <ul>
      {sticks.map(({ says, long, why }, index) => (
        <li key={index} className="py-0.5">
          <Measure text={`${says}, ${long}`} />:{" "}
          <span className="text-soft">
            <Measure text={why} />
          </span>
        </li>
      ))}
    </ul>
  </details>
);

const forbidden = (design: Design) => design.brief.cutting.forbid;

interface StickProps {
  stick: Sawn;
  scale: number;
  picked: string | null;
  over: boolean;
  onPick: (piece: string) => void;
  onDrag: (piece: string, event: PointerEvent) => void;
}

function OneStick({ stick, scale, picked, over, onPick, onDrag }: StickProps) {
  const { apply } = useSession();
  return (
    <div data-stick={stick.key} className={`pt-2 ${over ? "bg-note-bg outline-2 outline-act" : ""}`}>
      <div className="flex flex-wrap items-baseline gap-x-3 text-plain">
        <StickSays stick={stick} />
        <span className="flex-1" />
        <Button
          look="bare"
          aria-pressed={stick.locked !== ""}
          title={t("timber.cut-this-one-just-so-whatever")}
          onClick={() => apply(lockPatch(stick))}
        >
          {stick.locked ? t("timber.kept-so") : t("timber.keep-so")}
        </Button>
        <Button
          look="bare"
          title={t("timber.plan-without-it")}
          onClick={() =>
            apply((design) => ({ cutting: { forbid: [...forbidden(design), kindOf(stick.key)] } }))
          }
        >
          {t("timber.leave-it")}
        </Button>
      </div>
      <div className="overflow-x-auto">
        <StickDrawing stick={stick} scale={scale} picked={picked} onPick={onPick} onDrag={onDrag} />
      </div>
      <Order stick={stick} />
    </div>
  );
}

/** Where else a picked piece could come from, and what that would cost. */
function Elsewhere({
  picked,
  timber,
  onMove,
}: {
  picked: Picked;
  timber: Timber;
  onMove: (to: Sawn) => void;
}) {
  const id = useShown((shown) => shown.rack.id);
  const version = useShown((shown) => shown.rack.version);
  const others = picked.group.sawn.filter((stick) => stick.key !== picked.from.key).slice(0, MOST_TRIED);
  const tries = useQueries({
    queries: others.map((to) => ({
      queryKey: ["timber", id, version, "move", picked.piece, to.key],
      queryFn: () => api.tryTimber(id, movePatch(picked.piece, picked.from, to)),
    })),
  });
  if (others.length === 0)
    return (
      <p className="mt-1 text-plain text-soft" role="status">
        {t("timber.there-no-other-stick-here-leave", { piece: picked.piece })}
      </p>
    );
  return (
    <div
      role="group"
      aria-label={t("timber.cut-from", { piece: picked.piece })}
      className="mt-2 border border-act bg-sheet p-2 text-plain"
    >
      <p className="mb-1">
        {t("timber.cut")} <strong className="font-semibold">{picked.piece}</strong>{" "}
        {t("timber.from-another-stick")}
      </p>
      <div className="flex flex-wrap gap-1.5">
        {others.map((to, index) => {
          const tried = tries[index]?.data;
          const fits = tried && !tried.timber.findings.some(({ code }) => code === "cut.locked");
          return (
            <Button key={to.key} disabled={!fits} onClick={() => onMove(to)}>
              {numbered(timber, to)}:{" "}
              {tried ? (fits ? tried.says : t("timber.it-does-not-fit")) : t("timber.trying")}
            </Button>
          );
        })}
      </div>
    </div>
  );
}

/** A stick by its name, and which one of those alike. */
function numbered(timber: Timber, stick: Sawn): string {
  const alike = sticks(timber).filter(({ name, long }) => name === stick.name && long === stick.long);
  return `${stick.name}, ${stick.long}${alike.length > 1 ? t("timber.no", { indexOf: alike.indexOf(stick) + 1 }) : ""}`;
}
