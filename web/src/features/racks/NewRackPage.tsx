import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useEffectEvent, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";

import { api } from "../../api/client";
import type { Hang, NotListed } from "../../api/types";
import { useCatalogue } from "../../api/useCatalogue";
import { useKeepSettings, useSettings } from "../../api/useSettings";
import { PageHead } from "../../ui/PageHead";
import { Button } from "../../ui/Button";
import { MeasuresPick } from "../../ui/MeasuresPick";
import { useDraft } from "../../ui/useDraft";
import { AnswerLine } from "../items/AnswerLine";
import { Shelf } from "../items/Shelf";
import { ThreeMeasures } from "../items/ThreeMeasures";
import { useFound } from "../items/useFound";
import { Answer, USUAL } from "./Answer";
import { PlaceAsked } from "./PlaceAsked";
import { Rooms } from "./Rooms";
import { Ways } from "./Ways";
import { t } from "../../messages";

const FEWER = 2;

/** The opening question: what hangs here, how many of each, how wide the place is. The rack is drawn as it is
 * answered; where not all have room, each way to have them there is. */
export function NewRackPage() {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const settings = useSettings().data;
  const keep = useKeepSettings();
  // A look at the racks, Back or a reload leave the answers as they are; drawing the rack ends them.
  const [hangs, setHangs, letGo] = useDraft<Hang[]>("new.hangs", []);
  const [width, setWidth, noWidth] = useDraft<string | null>("new.width", null);
  const [family, setFamily, noFamily] = useDraft<string | null>("new.way", null);
  const [how, setHow, noHow] = useDraft<string | null>("new.how", null);
  const [asked, setAsked] = useSearchParams();
  const [words, setWords, noWords] = useDraft("new.words", "");
  const [measured, setMeasured] = useState<NotListed | null>(null);
  const catalogue = useCatalogue();
  const found = useFound(words);
  const wall = asked.get("wall");
  const starting = (width: string | null) => ({
    queryKey: ["start", hangs, settings?.trade, settings?.tape, wall, width, family],
    queryFn: () => api.start({ hangs, family, wall, width: wall ? null : width }),
  });
  const start = useQuery({
    ...starting(width),
    enabled: hangs.length > 0,
    placeholderData: keepPreviousData,
  });
  const ways = start.data ?? [];
  const way = ways.find((one) => one.family === family) ?? ways[0];
  const room = way?.rooms.find((one) => one.how === how) ?? way?.rooms[0];
  const make = useMutation({
    mutationFn: () =>
      api.make({
        hangs,
        family: way?.family ?? null,
        how: room?.how ?? null,
        wall,
        width: wall ? null : width,
      }),
    onSuccess: (rack) => {
      for (const end of [letGo, noWidth, noFamily, noHow, noWords]) end();
      return navigate(`/racks/${rack.id}`, { state: { first: true } });
    },
  });
  const items = catalogue.data?.items ?? [];

  function toggle(key: string) {
    setHangs((old) =>
      old.some((hang) => hang.item === key)
        ? old.filter((hang) => hang.item !== key)
        : [...old, { item: key, count: old.length ? FEWER : USUAL }],
    );
  }
  const setCount = (key: string, count: number) =>
    setHangs((old) => old.map((hang) => (hang.item === key ? { ...hang, count } : hang)));

  /** Takes what was said; said with nothing more to say, it is drawn. */
  async function onSay(text = words) {
    if (!text.trim()) return room && make.mutateAsync();
    const said = await api.findItems(text);
    setHangs((old) => [
      ...old.filter((hang) => !said.hangs.some(({ item }) => item === hang.item)),
      ...said.hangs.map(({ item, count }) => ({
        item,
        count: count ?? old.find((hang) => hang.item === item)?.count ?? (old.length ? FEWER : USUAL),
      })),
    ]);
    if (said.width) setWidth(said.width);
    // What was not understood stays, to be put right.
    const left = said.unknown.map(({ name, count }) => `${count ?? ""} ${name}`.trim());
    setWords([...left, ...said.unread].join(", "));
  }

  /** An example that was followed here is said at once. */
  const example = asked.get("say");
  const sayExample = useEffectEvent((text: string) => {
    setAsked({}, { replace: true });
    void onSay(text);
  });
  useEffect(() => {
    if (example) sayExample(example);
  }, [example]);

  return (
    <div className={`mx-auto max-w-[84rem] px-5 pb-10 ${hangs.length > 0 ? "max-lg:pb-40" : ""}`}>
      <title>{t("racks.new-rack-yardcliff")}</title>
      <PageHead title={t("racks.what-hangs-here")}>
        {settings && (
          <MeasuresPick
            trade={settings.trade}
            tape={settings.tape}
            onPick={(measures) => keep.mutate(measures)}
          />
        )}
      </PageHead>
      <main
        id="main"
        tabIndex={-1}
        className="lg:grid lg:grid-cols-[minmax(0,1fr)_30rem] lg:grid-rows-[auto_1fr] lg:gap-x-8"
      >
        <div>
          {catalogue.error && (
            <p role="alert" className="my-6 border border-care bg-care-bg p-3 text-care">
              {catalogue.error.message}
            </p>
          )}
          <AnswerLine
            words={words}
            found={found}
            items={items}
            onWords={setWords}
            onSay={() => onSay()}
            onMeasure={(thing) => {
              void onSay(); // what else was said hangs beside it
              setMeasured(thing);
            }}
          />
        </div>
        <section
          aria-label={t("racks.your-answer")}
          className="lg:sticky lg:top-0 lg:col-start-2 lg:row-span-2 lg:row-start-1 lg:max-h-dvh lg:self-start lg:overflow-y-auto lg:border-l-2 lg:border-ink lg:pt-4 lg:pl-6"
        >
          {hangs.length === 0 ? (
            <p className="py-3 text-soft">{t("racks.press-what-hangs-as-many-kinds")}</p>
          ) : (
            <>
              <Answer hangs={hangs} items={items} onCount={setCount} onLeave={toggle} />
              <PlaceAsked
                width={width}
                wall={wall}
                onWidth={async (next) => {
                  await queries.fetchQuery(starting(next)); // or it is told why not
                  setWidth(next);
                }}
                onWall={(id) => setAsked(id ? { wall: id } : {}, { replace: true })}
              />
              {(make.error ?? start.error) && (
                <p role="alert" className="mt-3 text-stop">
                  {(make.error ?? start.error)?.message}
                </p>
              )}
              {way && room && (
                <>
                  <Rooms rooms={way.rooms} chosen={room} onPick={setHow} />
                  {ways.length > 1 && <Ways ways={ways} chosen={way} onPick={setFamily} />}
                </>
              )}
              <div className="bottom-0 z-20 bg-paper py-3 max-lg:fixed max-lg:inset-x-0 max-lg:border-t-2 max-lg:border-ink max-lg:px-5 lg:sticky">
                <p className="mb-1 text-plain text-soft" aria-live="polite">
                  {room && `${room.made}, ${room.size}. `}
                  <span className="max-lg:hidden">{t("racks.everything-can-be-changed-next")}</span>
                </p>
                <Button
                  look="act"
                  className="min-h-10 w-full px-4 text-lead"
                  disabled={!room}
                  onClick={() => make.mutateAsync().catch(() => undefined)}
                >
                  {t("racks.draw-this-rack")}
                </Button>
              </div>
            </>
          )}
        </section>
        <div>
          <Shelf
            items={items}
            groups={catalogue.data?.groups ?? []}
            found={found}
            chosen={new Set(hangs.map((hang) => hang.item))}
            onPick={({ key }) => toggle(key)}
          />
        </div>
      </main>
      {measured !== null && catalogue.data && (
        <ThreeMeasures
          name={measured.name}
          items={items}
          onKept={({ item }) => {
            setMeasured(null);
            setWords("");
            void catalogue.refetch();
            setHangs((old) => [
              ...old,
              { item: item.key, count: measured.count ?? (old.length ? FEWER : USUAL) },
            ]);
          }}
          onClose={() => setMeasured(null)}
        />
      )}
    </div>
  );
}
