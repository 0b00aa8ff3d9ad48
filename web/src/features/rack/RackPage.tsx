import { useQuery, useQueryClient } from "@tanstack/react-query";
import { lazy, Suspense, useCallback, useEffect, useRef, useState, type ComponentType } from "react";
import { useLocation, useNavigate, useParams } from "react-router";

import { api, ProblemError } from "../../api/client";
import type { Catalogue, Rack } from "../../api/types";
import { UnsentStore } from "../../api/unsent";
import { useCatalogue } from "../../api/useCatalogue";
import { NotFound } from "../../ui/NotFound";
import { StageHelp } from "../help/StageHelp";
import { TourOffer } from "../help/TourOffer";
import { Announced } from "./Announced";
import { Choices } from "./Choices";
import { Drawing } from "./Drawing";
import { Session } from "./session";
import { Shortcuts } from "./Shortcuts";
import { SessionShown, Unhurried, useShown } from "./shown";
import { Standing } from "./Standing";
import { STAGE_NAMES, Stages, type Stage } from "./Stages";
import { TitleStrip } from "./TitleStrip";
import { useLeaveWarning } from "../../ui/useLeaveWarning";
import { useKeptScroll } from "./useKeptScroll";
import { t } from "../../messages";

/** The other stages come once this page is there, and before they are gone to: then no link that is down keeps
 * anybody from one. */
const coming: (() => Promise<unknown>)[] = [];

function stageOf<P>(load: () => Promise<ComponentType<P>>) {
  coming.push(load);
  return lazy(async () => ({ default: await load() }));
}

const WallStage = stageOf(async () => (await import("./WallStage")).WallStage);
const FixingStage = stageOf(async () => (await import("./FixingStage")).FixingStage);
const TimberStage = stageOf(async () => (await import("../timber/TimberStage")).TimberStage);
const SawBench = stageOf(async () => (await import("../timber/SawBench")).SawBench);
const MakingStage = stageOf(async () => (await import("../making/MakingStage")).MakingStage);
const WorkLine = stageOf(async () => (await import("../making/WorkLine")).WorkLine);
const LogStage = stageOf(async () => (await import("../log/LogStage")).LogStage);
const LogSheet = stageOf(async () => (await import("../log/LogSheet")).LogSheet);
const Tour = stageOf(async () => (await import("../help/Tour")).Tour);

export function RackPage({ stage }: { stage: Stage }) {
  const { id = "" } = useParams();
  const rack = useQuery({ queryKey: ["rack", id], queryFn: () => api.rack(id), staleTime: Infinity });
  const catalogue = useCatalogue(rack.data?.design.brief.trade);
  const error = rack.error ?? catalogue.error;
  if (error instanceof ProblemError && error.problem.status === 404) return <NotFound text={error.message} />;
  if (error) return <NotFound text={error.message} />;
  if (!rack.data || !catalogue.data)
    return (
      <p className="p-8 text-soft" role="status">
        {t("rack.laying-out-the-rack")}
      </p>
    );
  return <OneRack key={id} rack={rack.data} catalogue={catalogue.data} stage={stage} />;
}

/** Sessions of this page: one that still waits for its server goes on when its rack is opened again. */
const left = new Map<string, Session>();

function OneRack({ rack, catalogue, stage }: { rack: Rack; catalogue: Catalogue; stage: Stage }) {
  const queries = useQueryClient();
  const [session] = useState(() => {
    const open = left.get(rack.id);
    if (open?.unsaved) return open;
    const made = new Session(
      rack,
      (stored) => {
        queries.setQueryData(["rack", stored.id], stored);
        void queries.invalidateQueries({ queryKey: ["racks"] });
      },
      new UnsentStore(rack.id),
    );
    left.set(rack.id, made);
    return made;
  });
  useEffect(() => session.watch(), [session]);
  useEffect(() => {
    for (const load of coming) load().catch(() => undefined); // whoever goes there is told
  }, []);
  useLeaveWarning(() => session.unsaved);
  useEffect(() => {
    void session.resume();
  }, [session]);
  return (
    <SessionShown session={session}>
      <Sheet catalogue={catalogue} stage={stage} />
    </SessionShown>
  );
}

function Sheet({ catalogue, stage }: { catalogue: Catalogue; stage: Stage }) {
  const navigate = useNavigate();
  const id = useShown((shown) => shown.rack.id);
  const name = useShown((shown) => shown.rack.name);
  const [help, setHelp] = useState(false);
  const showHelp = useCallback(() => setHelp(true), []);
  const aside = useRef<HTMLElement>(null);
  useKeptScroll(stage, aside);
  const [touring, setTouring] = useState(false);
  const first = (useLocation().state as { first?: boolean } | null)?.first === true;
  const startTour = () => {
    if (stage !== "rack") void navigate(`/racks/${id}`);
    setTouring(true);
  };
  return (
    <div className="flex min-h-dvh flex-col max-md:pb-14 md:h-dvh md:min-h-0">
      <title>
        {t("rack.yardcliff", { name: stage === "rack" ? name : `${name}: ${STAGE_NAMES[stage]}` })}
      </title>
      <TitleStrip onHelp={showHelp} />
      {first && <TourOffer onTour={startTour} />}
      <Standing onCopied={(id) => void navigate(`/racks/${id}`)} />
      <main id="main" tabIndex={-1} className="flex min-h-0 flex-1 flex-col md:flex-row">
        <Suspense fallback={<div className="flex-1" />}>
          {stage === "timber" ? (
            <SawBench onHelp={showHelp} />
          ) : stage === "making" ? (
            <WorkLine onHelp={showHelp} />
          ) : stage === "log" ? (
            <LogSheet onHelp={showHelp} />
          ) : (
            <Drawing onHelp={showHelp} stage={stage} />
          )}
        </Suspense>
        <aside
          ref={aside}
          data-stop="choices"
          className="border-ink bg-sheet md:isolate md:w-[21rem] md:shrink-0 md:overflow-y-auto md:border-l-2"
          aria-label={t("rack.choices")}
        >
          <Unhurried>
            <Stages stage={stage} />
            <StageHelp key={stage} stage={stage} title={STAGE_NAMES[stage]} onTour={startTour} />
            <Suspense>
              {stage === "rack" && <Choices catalogue={catalogue} />}
              {stage === "wall" && <WallStage />}
              {stage === "fixing" && <FixingStage />}
              {stage === "timber" && <TimberStage />}
              {stage === "making" && <MakingStage />}
              {stage === "log" && <LogStage />}
            </Suspense>
          </Unhurried>
        </aside>
      </main>
      <Unhurried>
        <Announced />
      </Unhurried>
      <Shortcuts open={help} onOpenChange={setHelp} />
      {touring && (
        <Suspense>
          <Tour onLeave={() => setTouring(false)} />
        </Suspense>
      )}
    </div>
  );
}
