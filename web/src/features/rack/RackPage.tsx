import { useQuery } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useState } from "react";
import { useNavigate, useParams } from "react-router";

import { api, ProblemError } from "../../api/client";
import type { Catalogue } from "../../api/types";
import { Button } from "../../ui/Button";
import { NotFound } from "../../ui/NotFound";
import { Choices } from "./Choices";
import { Fig } from "./Fig";
import { KeyPlan } from "./KeyPlan";
import { Ladder } from "./Ladder";
import { Notes } from "./Notes";
import { countPatch } from "./patches";
import { useSession, type Session } from "./session";
import { Shortcuts } from "./Shortcuts";
import { Slips, type OpenSlip } from "./Slips";
import { Standing } from "./Standing";
import { Tape } from "./Tape";
import { TitleStrip } from "./TitleStrip";
import { useNarrow } from "../../ui/useNarrow";
import { useThrottled } from "../../ui/useThrottled";
import { useView } from "./useView";
import { Wall } from "./Wall";

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

  useEffect(() => {
    function onKey(event: KeyboardEvent) {
      const target = event.target as HTMLElement;
      if (target.closest("input, [role=listbox], [role=dialog], [role=menu]")) return;
      const command = event.ctrlKey || event.metaKey;
      const key = event.key.toLowerCase();
      if (command && key === "z") (event.shiftKey ? session.redo : session.undo)();
      else if (command && key === "y") session.redo();
      else if (command || event.altKey) return;
      else if (key === "+" || key === "=") session.apply(countPatch(rack.design, 1));
      else if (key === "-") session.apply(countPatch(rack.design, -1));
      else if (key === "f") control.show("rack");
      else if (key === "w") control.show("wall");
      else if (key === "t") setFlipped((old) => !old);
      else if (key === "?") setHelp(true);
      else if (key === "escape") setSlips((old) => old.slice(0, -1));
      else return;
      event.preventDefault();
    }
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });

  const step = (factor: number) => control.zoom(factor, control.size.width / 2, control.size.height / 2);
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
            <div className="no-print absolute top-2 left-2 flex border border-rule bg-sheet/90">
              <Button
                look="bare"
                aria-pressed={control.mode === "rack"}
                className="aria-pressed:font-semibold"
                onClick={() => control.show("rack")}
              >
                Rack
              </Button>
              <Button
                look="bare"
                aria-pressed={control.mode === "wall"}
                className="aria-pressed:font-semibold"
                onClick={() => control.show("wall")}
              >
                Wall
              </Button>
              <Button look="bare" aria-label="Nearer" onClick={() => step(1.3)}>
                +
              </Button>
              <Button look="bare" aria-label="Farther" onClick={() => step(1 / 1.3)}>
                −
              </Button>
            </div>
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
          <div className="border-t-2 border-ink bg-paper">
            <div className="flex flex-wrap items-center gap-x-4 px-2 text-[0.87rem]">
              <Button
                look="bare"
                aria-pressed={flipped}
                onClick={() => setFlipped(!flipped)}
                title="Hook the tape on the other end"
              >
                Tape from the {flipped ? "right" : "left"} end
              </Button>
              <span className="text-soft">
                <Fig session={later} name="row.count" label="" onFigure={openFigure} /> {design.holders},{" "}
                {design.count - 1} spaces
              </span>
              {rack.design.marks.some((mark) => mark.pinned) ? (
                <Fig session={later} name="row.uneven" onFigure={openFigure} />
              ) : (
                <>
                  <Fig session={later} name="row.dividers" onFigure={openFigure} />
                  <Fig
                    session={session}
                    name="row.drift"
                    label="stepped off, the last is out by"
                    onFigure={openFigure}
                  />
                </>
              )}
            </div>
            <Tape
              design={design}
              view={control.view}
              size={control.size}
              flipped={flipped}
              onFigure={openFigure}
            />
          </div>
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
