import { Link, useParams } from "react-router";

import { api } from "../../api/client";
import type { Wall } from "../../api/types";
import { Button } from "../../ui/Button";
import { NameField } from "../../ui/NameField";
import { NotFound } from "../../ui/NotFound";
import { ThemeButton } from "../../ui/ThemeButton";
import { Measure } from "../../ui/Measure";
import { MeasuresPick } from "../../ui/MeasuresPick";
import { UndoRedo } from "../../ui/UndoRedo";
import { Section } from "../rack/Section";
import { useShortcuts } from "../rack/useShortcuts";
import { SurveyFields } from "./SurveyFields";
import { useWall } from "./useWall";
import type { SurveyWrites } from "./writes";
import { WallDrawing } from "./WallDrawing";
import { t } from "../../messages";

/** A wall's survey: drawn as it is measured, with the racks that hang on it. */
export function WallPage() {
  const { id = "" } = useParams();
  const { wall, trouble, writes } = useWall(id);
  useShortcuts({ undo: () => writes.undo(), redo: () => writes.redo() });
  if (!wall.data)
    return wall.error ? (
      <NotFound text={wall.error.message} />
    ) : (
      <p className="p-8 text-soft" role="status">
        {t("walls.setting-up-the-wall")}
      </p>
    );
  return (
    <div className="flex min-h-dvh flex-col md:h-dvh md:min-h-0">
      <title>{t("walls.yardcliff", { name: wall.data.name })}</title>
      <Strip wall={wall.data} writes={writes} />
      {trouble && (
        <p
          role="alert"
          className="flex items-center gap-3 border-b border-care bg-care-bg px-3 py-1.5 text-care"
        >
          <span className="flex-1">{trouble}</span>
          <Button onClick={writes.dismiss}>{t("walls.close")}</Button>
        </p>
      )}
      <main id="main" tabIndex={-1} className="flex min-h-0 flex-1 flex-col md:flex-row">
        <div className="relative min-w-0 overflow-hidden max-md:h-[46vh] md:flex-1">
          <WallDrawing wall={wall.data} writes={writes} />
        </div>
        <aside
          className="border-ink bg-sheet md:w-[21rem] md:shrink-0 md:overflow-y-auto md:border-l-2"
          aria-label={t("walls.survey")}
        >
          <h2 className="sr-only">{t("walls.survey")}</h2>
          <OnIt wall={wall.data} />
          <SurveyFields wall={wall.data} writes={writes} />
        </aside>
      </main>
    </div>
  );
}

function OnIt({ wall }: { wall: Wall }) {
  return (
    <Section title={t("walls.racks-on-it")}>
      {wall.racks.length === 0 && (
        <p className="text-small text-soft">{t("walls.none-yet-draw-one-for-or")}</p>
      )}
      <ul>
        {wall.racks.map((rack) => (
          <li key={rack.id} className="flex items-baseline gap-2 py-0.5">
            <Link to={`/racks/${rack.id}/wall`} className="min-w-0 flex-1 truncate act-link">
              {rack.name}
            </Link>
            <span className="hand text-small text-soft">
              <Measure text={t("walls.up", { x: rack.x, hung: rack.hung })} />
            </span>
            {rack.to_settle > 0 && (
              <span className="text-small font-semibold text-care">▲{rack.to_settle}</span>
            )}
          </li>
        ))}
      </ul>
      <Link to={`/new?wall=${wall.id}`} className="act-link pointer-coarse:min-h-touch">
        {t("walls.draw-a-rack-for-it")}
      </Link>
    </Section>
  );
}

function Strip({ wall, writes }: { wall: Wall; writes: SurveyWrites }) {
  return (
    <header className="no-print flex flex-wrap items-center gap-x-2 gap-y-1 border-b-2 border-ink bg-sheet px-3 py-1.5">
      <Link to="/" className="act-link">
        {t("walls.racks")}
      </Link>
      <span aria-hidden className="text-rule">
        /
      </span>
      <NameField
        label={t("walls.name-of-the-wall")}
        what="wall"
        id={wall.id}
        name={wall.name}
        onRename={writes.rename}
      />
      <span className="flex-1" />
      <UndoRedo
        undo={wall.undo}
        redo={wall.redo}
        history={() => api.wallHistory(wall.id)}
        onUndo={writes.undo}
        onRedo={writes.redo}
      />
      <MeasuresPick
        trade={wall.design.survey.trade}
        tape={wall.design.tape.name}
        onPick={(measures) => writes.apply(measures)}
      />
      <ThemeButton />
    </header>
  );
}
