import { Button } from "./Button";
import { t } from "../messages";

interface Props {
  /** What each would do, or nothing where there is nothing to. */
  undo: string | null;
  redo: string | null;
  onUndo: () => void;
  onRedo: () => void;
}

/** What was done last to a sheet, to be taken back and brought again. */
export function UndoRedo({ undo, redo, onUndo, onRedo }: Props) {
  return (
    <>
      <Button
        look="bare"
        disabled={!undo}
        onClick={onUndo}
        title={undo ? t("ui.take-back", { undo }) : undefined}
      >
        {t("ui.undo")}
      </Button>
      <Button
        look="bare"
        disabled={!redo}
        onClick={onRedo}
        title={redo ? t("ui.again", { redo }) : undefined}
      >
        {t("ui.redo")}
      </Button>
    </>
  );
}
