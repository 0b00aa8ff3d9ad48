import { useQuery } from "@tanstack/react-query";
import { useCallback, useMemo, useState } from "react";
import { useNavigate, useParams } from "react-router";

import { api, ProblemError } from "../../api/client";
import type { Catalogue } from "../../api/types";
import { NotFound } from "../../ui/NotFound";
import { Choices } from "./Choices";
import { KeyPlan } from "./KeyPlan";
import { Ladder } from "./Ladder";
import { Notes } from "./Notes";
import { countPatch } from "./patches";
import { useSession, type Session } from "./session";
import { Shortcuts } from "./Shortcuts";
import { Slips, type OpenSlip } from "./Slips";
import { Standing } from "./Standing";
import { TapeStrip } from "./TapeStrip";
import { TitleStrip } from "./TitleStrip";
import { useNarrow } from "../../ui/useNarrow";
import { useThrottled } from "../../ui/useThrottled";
import { useShortcuts } from "./useShortcuts";
import { useView } from "./useView";
import { Wall } from "./Wall";
import { WallTools } from "./WallTools";

const PANEL_MS = 250;

export function RackPage() {
  const { id = "" } = useParams();
  const { session, error } = useSession(id);
  const catalogue = useQuery({ queryKey: ["catalogue"], queryFn: api.catalogue, staleTime: Infinity });
  if (error instanceof ProblemError && error.problem.status === 404) return <NotFound text={error.message} />;
  if (error) return <NotFound text={error.message} />;
  if (!session || !catalogue.data)
    return (
      <p className="p-8 text-soft" role="status">
        Laying out the rack…
      </p>
    );
  return <Sheet key={id} session={session} catalogue={catalogue.data} />;
}

function Sheet({ session, catalogue }: { session: Session; catalogue: Catalogue }) {
  const { design, rack } = session;
  const [held, setHeld] = useState(false);
  // The drawing and the tape follow a drag on every frame; the panel, which is read, a few times a second.
  const panel = useThrottled(session, PANEL_MS);
  const later = held ? panel : session;
  const navigate = useNavigate();
  const [flipped, setFlipped] = useState(false);
  const [help, setHelp] = useState(false);
  const [slips, setSlips] = useState<OpenSlip[]>([]);
  const narrow = useNarrow();
  const noted = rack.design.findings.length > 0;
  const { extent } = rack.design.scene;
  // Notes and the key plan stand at the right; beside a long, low rack the key plan is below it.
  const low = extent.x1 - extent.x0 > 2.4 * (extent.y1 - extent.y0);
  const padding = useMemo(
    () => ({
      top: narrow ? 104 : 86,
      bottom: 64,
      left: narrow ? 58 : 64,
      right: narrow ? 36 : noted ? 270 : low ? 60 : 190,
    }),
    [narrow, noted, low],
  );
  const control = useView(design.scene, padding, held);

  const openFigure = useCallback((key: string) => {
    setSlips((old) =>
      old.some((slip) => slip.key === key) ? old : [...old.filter((slip) => slip.kept), { key, kept: false }],
    );
  }, []);
  const showHelp = useCallback(() => setHelp(true), []);
  const { show } = control;
  const showWall = useCallback(() => show("wall"), [show]);

  const flip = useCallback(() => setFlipped((old) => !old), []);
  useShortcuts({
    "+": () => session.apply(countPatch(rack.design, 1)),
    "=": () => session.apply(countPatch(rack.design, 1)),
    "-": () => session.apply(countPatch(rack.design, -1)),
    f: () => show("rack"),
    w: showWall,
    t: flip,
    "?": showHelp,
    escape: () => setSlips((old) => old.slice(0, -1)),
    undo: session.undo,
    redo: session.redo,
  });

  return (
    <div className="flex min-h-dvh flex-col md:h-dvh md:min-h-0">
      <title>{`${rack.name} | Yardcliff`}</title>
      <TitleStrip session={later} onHelp={showHelp} />
      <Standing session={session} onCopied={(id) => void navigate(`/racks/${id}`)} />
      <main className="flex min-h-0 flex-1 flex-col md:flex-row">
        <div className="flex min-w-0 flex-1 flex-col">
          <div className="relative h-[52vh] overflow-hidden md:h-auto md:min-h-0 md:flex-1">
            <Wall
              session={session}
              design={design}
              control={control}
              onHold={setHeld}
              onFigure={openFigure}
            />
            <WallTools control={control} />
            {control.mode !== "wall" && (
              <KeyPlan
                scene={later.rack.design.scene}
                hung={later.design.fields["hung"] ?? ""}
                onShow={showWall}
              />
            )}
            {!narrow && <Notes session={later} design={later.design} view={control.view} />}
            <Slips
              design={design}
              slips={slips}
              onClose={(key) => setSlips((old) => old.filter((slip) => slip.key !== key))}
              onKeep={(key) =>
                setSlips((old) => old.map((s) => (s.key === key ? { ...s, kept: !s.kept } : s)))
              }
            />
          </div>
          <TapeStrip
            session={session}
            panel={later}
            control={control}
            flipped={flipped}
            onFlip={flip}
            onFigure={openFigure}
          />
          {narrow && <Notes session={later} design={later.design} view={control.view} />}
        </div>
        <aside
          className="border-ink bg-sheet md:w-[21rem] md:shrink-0 md:overflow-y-auto md:border-l-2"
          aria-label="Choices"
        >
          <Choices session={later} catalogue={catalogue} onFigure={openFigure} />
          <Ladder session={later} />
        </aside>
      </main>
      <Shortcuts open={help} onOpenChange={setHelp} />
    </div>
  );
}
