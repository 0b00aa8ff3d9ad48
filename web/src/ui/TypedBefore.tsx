import { Button } from "./Button";
import { t } from "../messages";

/** Says of a form that it holds what was typed before; a press empties it. */
export function TypedBefore({ found, onAfresh }: { found: boolean; onAfresh: () => void }) {
  if (!found) return null;
  return (
    <p role="status" className="flex w-full flex-wrap items-center gap-x-3 bg-note-bg px-2 text-small">
      {t("ui.typed-before-and-not-kept")}
      <Button look="bare" onClick={onAfresh}>
        {t("ui.start-afresh")}
      </Button>
    </p>
  );
}
