import { useCallback, useMemo, useState } from "react";

import { useNarrow } from "../../ui/useNarrow";
import { KeyPlan } from "./KeyPlan";
import { Notes } from "./Notes";
import { countPatch } from "./patches";
import { Unhurried, useSession, useShown } from "./shown";
import type { Stage } from "./Stages";
import { Slips } from "./Slips";
import { TapeStrip } from "./TapeStrip";
import { useShortcuts } from "./useShortcuts";
import { useView, type Fit } from "./useView";
import { Wall } from "./Wall";
import { FRONT, WallTools } from "./WallTools";

/** The wall with what stands on it, the tape under it, and the keys that work on both. */
export function Drawing({ onHelp, stage }: { onHelp: () => void; stage: Stage }) {
  const session = useSession();
  const [seen, setSeen] = useState(FRONT);
  const scene = useShown(
    ({ design }) => design.views.find((view) => view.key === seen)?.scene ?? design.scene,
  );
  const front = useShown((shown) => shown.design.scene === scene);
  const held = useShown((shown) => shown.held);
  const noted = useShown((shown) => shown.rack.design.findings.length > 0);
  const extent = useShown((shown) => shown.rack.design.scene.extent);
  const up = useShown((shown) => shown.rack.design.up);
  // What a rack measures over all stands above its row's own dimensions.
  const stacked = useShown(({ rack }) => "overall" in rack.design.figures && !rack.design.up);
  const tall = useShown(({ rack }) => "tall" in rack.design.figures);
  const several = useShown((shown) => shown.rack.design.rows.length > 1);
  const [flipped, setFlipped] = useState(false);
  const narrow = useNarrow();
  // Notes and the key plan stand at the right; beside a long, low rack the key plan is below it.
  const low = extent.x1 - extent.x0 > 2.4 * (extent.y1 - extent.y0);
  const padding = useMemo(
    () => ({
      top: narrow && front ? (stacked ? 164 : 128) : 146,
      bottom: front ? 64 : 110,
      left: up || (tall && front) ? 100 : narrow ? 58 : 64,
      right: narrow ? (several || up ? 92 : 36) : noted ? 270 : low ? (several ? 100 : 60) : 190,
    }),
    [narrow, several, noted, low, front, up, stacked, tall],
  );
  const x0 = useShown((shown) => (front ? (shown.design.on_wall?.x_mm ?? 0) : 0));
  const placing = useShown((shown) => stage === "wall" && shown.design.on_wall !== null);
  // Notes stand beside the wall, not on it.
  const wallPadding = useMemo(
    () => ({ top: 24, right: noted && !narrow ? 262 : 24, bottom: 24, left: 24 }),
    [noted, narrow],
  );
  const control = useView(scene, padding, wallPadding, held, x0);
  const { show } = control;
  const see = useCallback(
    (view: string, fit: Fit) => {
      setSeen(view);
      show(fit);
    },
    [show],
  );
  const [placed, setPlaced] = useState(false);
  if (placed !== placing) {
    setPlaced(placing);
    see(FRONT, placing ? "wall" : "rack");
  }
  const showWall = useCallback(() => see(FRONT, "wall"), [see]);
  const flip = useCallback(() => setFlipped((old) => !old), []);
  const count = (by: number) => () => session.press("row.count", by, countPatch);
  useShortcuts({
    "+": count(1),
    "=": count(1),
    "-": count(-1),
    f: () => see(FRONT, "rack"),
    w: showWall,
    s: () => see(seen === "section" ? FRONT : "section", "rack"),
    t: flip,
    "?": onHelp,
    escape: () => session.closeSlip(),
    undo: () => session.undo(),
    redo: () => session.redo(),
  });
  return (
    <div className="max-md:contents md:flex md:min-w-0 md:flex-1 md:flex-col">
      <div
        data-stop="drawing"
        className="relative h-[52vh] overflow-hidden max-md:tall:sticky max-md:tall:top-0 max-md:tall:z-10 max-md:tall:h-[40vh] max-md:tall:border-b-2 max-md:tall:border-ink md:h-auto md:min-h-0 md:flex-1"
      >
        <Wall control={control} scene={scene} placing={placing} />
        <WallTools control={control} seen={seen} onSee={setSeen} />
        <Unhurried>
          {front && control.mode !== "wall" && <KeyPlan onShow={showWall} />}
          {front && !narrow && <Notes view={control.view} />}
        </Unhurried>
        <Slips />
      </div>
      {seen !== "section" && !placing && <TapeStrip control={control} flipped={flipped} onFlip={flip} />}
      {front && narrow && <Notes view={control.view} />}
    </div>
  );
}
