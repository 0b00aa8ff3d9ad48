import { keepPreviousData, useMutation, useQuery } from "@tanstack/react-query";
import { Link, useNavigate, useSearchParams } from "react-router";

import { api } from "../../api/client";
import type { Hang, ItemChoice } from "../../api/types";
import { useKeepSettings, useSettings } from "../../api/useSettings";
import { useCatalogue } from "../../api/useCatalogue";
import { Button } from "../../ui/Button";
import { readCount } from "../../ui/count";
import { Field } from "../../ui/Field";
import { Measure } from "../../ui/Measure";
import { Pick } from "../../ui/Pick";
import { RackDrawing } from "../../ui/RackDrawing";
import { MeasuresPick } from "../../ui/MeasuresPick";
import { useDraft } from "../../ui/useDraft";
import { Shelf } from "../items/Shelf";
import { Ways } from "./Ways";
import { t } from "../../messages";

const PREVIEW = { width: 620, height: 200 };
const USUAL = 5;
const FEWER = 2;

/** The opening question: what hangs here, and how many of each. The rack is drawn as it is answered. */
export function NewRackPage() {
  const navigate = useNavigate();
  const settings = useSettings().data;
  const keep = useKeepSettings();
  // A look at the racks, Back or a reload leave the answers as they are; drawing the rack ends them.
  const [hangs, setHangs, letGo] = useDraft<Hang[]>("new.hangs", []);
  const [picked, setPicked, unpick] = useDraft<string | null>("new.way", null);
  const catalogue = useCatalogue();
  const walls = useQuery({ queryKey: ["walls"], queryFn: api.walls });
  const [asked, setAsked] = useSearchParams();
  const wall = asked.get("wall");
  const start = useQuery({
    queryKey: ["start", hangs, settings?.trade, settings?.tape, wall],
    queryFn: () => api.start(hangs, wall),
    enabled: hangs.length > 0,
    placeholderData: keepPreviousData,
  });
  const ways = start.data ?? [];
  const way = ways.find(({ family }) => family === picked) ?? ways[0];
  const make = useMutation({
    mutationFn: () => api.make(hangs, way?.family ?? null, wall),
    onSuccess: (rack) => {
      letGo();
      unpick();
      return navigate(`/racks/${rack.id}`);
    },
  });
  const items = catalogue.data?.items ?? [];

  function toggle({ key }: ItemChoice) {
    setHangs((old) =>
      old.some((hang) => hang.item === key)
        ? old.filter((hang) => hang.item !== key)
        : [...old, { item: key, count: old.length ? FEWER : USUAL }],
    );
  }
  const setCount = (key: string, count: number) =>
    setHangs((old) => old.map((hang) => (hang.item === key ? { ...hang, count } : hang)));

  const design = way?.design;
  return (
    <div className="mx-auto max-w-[84rem] px-5 pb-10">
      <title>{t("racks.new-rack-yardcliff")}</title>
      <header className="flex items-center gap-3 border-b-2 border-ink py-3">
        <Link to="/" className="text-act underline decoration-dotted underline-offset-3">
          {t("racks.racks")}
        </Link>
        <h1 className="flex-1 text-head">{t("racks.what-hangs-here")}</h1>
        {settings && (
          <MeasuresPick
            trade={settings.trade}
            tape={settings.tape}
            onPick={(measures) => keep.mutate(measures)}
          />
        )}
      </header>
      <main>
        {catalogue.error && (
          <p role="alert" className="my-6 border border-care bg-care-bg p-3 text-care">
            {catalogue.error.message}
          </p>
        )}
        <Shelf
          items={items}
          groups={catalogue.data?.groups ?? []}
          chosen={new Set(hangs.map((hang) => hang.item))}
          onPick={toggle}
        />
        <section
          aria-label={t("racks.your-answer")}
          className="sticky bottom-0 mt-6 border-t-2 border-ink bg-paper pb-3"
        >
          <Answer
            hangs={hangs}
            items={items}
            onCount={setCount}
            onLeave={toggle}
            onDraw={() => make.mutate()}
            busy={make.isPending}
          />
          {hangs.length > 0 && (walls.data?.length ?? 0) > 0 && (
            <div className="mt-1 flex items-baseline justify-center gap-1 text-plain">
              <span className="text-soft">{t("racks.on")}</span>
              <Pick
                label={t("racks.on-which-wall")}
                value={wall ?? ""}
                options={[
                  { value: "", label: t("racks.no-wall-yet"), why: t("racks.becomes-as-long-as-what-hangs") },
                  ...(walls.data ?? []).map(({ id, name }) => ({ value: id, label: name })),
                ]}
                onPick={(id) => setAsked(id ? { wall: id } : {}, { replace: true })}
              />
            </div>
          )}
          {(make.error ?? start.error) && (
            <p role="alert" className="mt-3 text-center text-stop">
              {(make.error ?? start.error)?.message}
            </p>
          )}
          {hangs.length > 0 && design && (
            <div className="mt-3 flex flex-col items-center gap-2" aria-live="polite">
              {ways.length > 1 ? (
                <Ways ways={ways} chosen={way.family} onPick={setPicked} />
              ) : (
                <RackDrawing
                  scene={design.scene}
                  scale={Math.min(
                    PREVIEW.width / (design.scene.extent.x1 - design.scene.extent.x0),
                    PREVIEW.height / (design.scene.extent.y1 - design.scene.extent.y0),
                  )}
                />
              )}
              <p className="hand text-soft">
                {t("racks.board")} <Measure text={design.fields["row.length"] ?? ""} />, {design.holder_count}{" "}
                {design.holders}. {way.on_wall && <Measure text={`${way.on_wall} `} />}
                {t("racks.everything-can-be-changed-next")}
              </p>
            </div>
          )}
        </section>
      </main>
    </div>
  );
}

interface AnswerProps {
  hangs: Hang[];
  items: ItemChoice[];
  busy: boolean;
  onCount: (key: string, count: number) => void;
  onLeave: (item: ItemChoice) => void;
  onDraw: () => void;
}

/** The answer so far, as a line that can be read aloud: 5 waxed jackets, 2 felt hats. */
function Answer({ hangs, items, busy, onCount, onLeave, onDraw }: AnswerProps) {
  if (hangs.length === 0)
    return <p className="mt-3 text-soft">{t("racks.press-what-hangs-as-many-kinds")}</p>;
  return (
    <div className="mt-3 flex flex-wrap items-center justify-center gap-x-5 gap-y-2 text-lead">
      {hangs.map(({ item: key, count = USUAL }) => {
        const item = items.find((one) => one.key === key);
        if (!item) return null;
        return (
          <span key={key} className="flex items-center gap-1.5">
            <Button
              aria-label={t("racks.one-fewer", { name: item.name })}
              onClick={() => (count > 1 ? onCount(key, count - 1) : onLeave(item))}
            >
              −
            </Button>
            <Field
              label={t("racks.how-many", { plural: item.plural })}
              labelHidden
              value={String(count)}
              onCommit={(text) => {
                const next = readCount(text, 1);
                if (typeof next === "string") return Promise.resolve(next);
                onCount(key, next);
                return Promise.resolve(null);
              }}
              onStep={(by) => onCount(key, Math.max(1, count + by))}
              boxed
            />
            <Button
              aria-label={t("racks.one-more", { name: item.name })}
              onClick={() => onCount(key, Math.min(1000, count + 1))}
            >
              +
            </Button>
            <span>{count === 1 ? item.name : item.plural}</span>
          </span>
        );
      })}
      <Button look="act" className="min-h-9 px-4" disabled={busy} onClick={onDraw}>
        {t("racks.draw-this-rack")}
      </Button>
    </div>
  );
}
