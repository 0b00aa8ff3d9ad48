import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useState } from "react";
import { useNavigate, useParams } from "react-router";

import { api, ProblemError } from "../../api/client";
import type { Catalogue, Rack } from "../../api/types";
import { NotFound } from "../../ui/NotFound";
import { Choices } from "./Choices";
import { Drawing } from "./Drawing";
import { FixingStage } from "./FixingStage";
import { Session } from "./session";
import { Shortcuts } from "./Shortcuts";
import { SessionShown, Unhurried, useShown } from "./shown";
import { Standing } from "./Standing";
import { Stages, type Stage } from "./Stages";
import { UnsentStore } from "./unsent";
import { LogSheet } from "../log/LogSheet";
import { LogStage } from "../log/LogStage";
import { MakingStage } from "../making/MakingStage";
import { WorkLine } from "../making/WorkLine";
import { SawBench } from "../timber/SawBench";
import { TimberStage } from "../timber/TimberStage";
import { TitleStrip } from "./TitleStrip";
import { WallStage } from "./WallStage";

export function RackPage({ stage }: { stage: Stage }) {
  const { id = "" } = useParams();
  const rack = useQuery({ queryKey: ["rack", id], queryFn: () => api.rack(id), staleTime: Infinity });
  const catalogue = useQuery({ queryKey: ["catalogue"], queryFn: api.catalogue, staleTime: Infinity });
  const error = rack.error ?? catalogue.error;
  if (error instanceof ProblemError && error.problem.status === 404) return <NotFound text={error.message} />;
  if (error) return <NotFound text={error.message} />;
  if (!rack.data || !catalogue.data)
    return (
      <p className="p-8 text-soft" role="status">
        Laying out the rack…
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
    void session.resume();
    const onLeave = (event: BeforeUnloadEvent) => session.unsaved && event.preventDefault();
    window.addEventListener("beforeunload", onLeave);
    return () => window.removeEventListener("beforeunload", onLeave);
  }, [session]);
  return (
    <SessionShown session={session}>
      <Sheet catalogue={catalogue} stage={stage} />
    </SessionShown>
  );
}

function Sheet({ catalogue, stage }: { catalogue: Catalogue; stage: Stage }) {
  const navigate = useNavigate();
  const name = useShown((shown) => shown.rack.name);
  const [help, setHelp] = useState(false);
  const showHelp = useCallback(() => setHelp(true), []);
  return (
    <div className="flex min-h-dvh flex-col md:h-dvh md:min-h-0">
      <title>{`${name} | Yardcliff`}</title>
      <TitleStrip onHelp={showHelp} />
      <Standing onCopied={(id) => void navigate(`/racks/${id}`)} />
      <main className="flex min-h-0 flex-1 flex-col md:flex-row">
        {stage === "timber" ? (
          <SawBench onHelp={showHelp} />
        ) : stage === "making" ? (
          <WorkLine onHelp={showHelp} />
        ) : stage === "log" ? (
          <LogSheet onHelp={showHelp} />
        ) : (
          <Drawing onHelp={showHelp} stage={stage} />
        )}
        <aside
          className="border-ink bg-sheet md:w-[21rem] md:shrink-0 md:overflow-y-auto md:border-l-2"
          aria-label="Choices"
        >
          <Unhurried>
            <Stages stage={stage} />
            {stage === "rack" && <Choices catalogue={catalogue} />}
            {stage === "wall" && <WallStage />}
            {stage === "fixing" && <FixingStage />}
            {stage === "timber" && <TimberStage />}
            {stage === "making" && <MakingStage />}
            {stage === "log" && <LogStage />}
          </Unhurried>
        </aside>
      </main>
      <Shortcuts open={help} onOpenChange={setHelp} />
    </div>
  );
}
