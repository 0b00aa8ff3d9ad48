import { Button } from "./Button";

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
      <Button look="bare" disabled={!undo} onClick={onUndo} title={undo ? `Take back: ${undo}` : undefined}>
        Undo
      </Button>
      <Button look="bare" disabled={!redo} onClick={onRedo} title={redo ? `Again: ${redo}` : undefined}>
        Redo
      </Button>
    </>
  );
}
