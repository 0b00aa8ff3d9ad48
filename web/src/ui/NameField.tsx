import { useState, type KeyboardEvent } from "react";

import type { Outcome } from "./Field";
import { useDraft } from "./useDraft";
import { t } from "../messages";

const MOST = 80;

interface Props {
  label: string;
  what: "rack" | "wall";
  /** Of the sheet. */
  id: string;
  name: string;
  /** Takes the new name; answers with what is wrong with it, or null. */
  onRename: (name: string) => Promise<Outcome>;
}

/** A sheet's name as its heading, to be typed over. */
export function NameField({ label, what, id, name, onRename }: Props) {
  const [draft, setDraft, letGo] = useDraft<string | null>(`${id} name`, null);
  const [error, setError] = useState<string | null>(
    draft !== null && draft !== name ? t("ui.typed-before-and-not-taken", { value: name }) : null,
  );

  async function commit() {
    if (draft === null || draft === name) return letGo();
    const length = draft.trim().length;
    if (!length || length > MOST)
      return setError(
        length
          ? t("ui.name-has-characters-most-shorten-or", { length, MOST })
          : t("ui.needs-name-1-characters", { what, MOST }),
      );
    const outcome = await onRename(draft.trim());
    setError(outcome);
    if (outcome === null) letGo();
  }
  function onKeyDown(event: KeyboardEvent) {
    if (event.key === "Enter") void commit();
    if (event.key !== "Escape") return;
    letGo();
    setError(null);
  }
  return (
    <h1 className="relative m-0 min-w-40">
      <span className="sr-only">{name}</span>
      <input
        aria-label={label}
        aria-invalid={error !== null}
        value={draft ?? name}
        onChange={(event) => setDraft(event.target.value)}
        onBlur={() => void commit()}
        onKeyDown={onKeyDown}
        className="hand field-sizing-content pointer-coarse:min-h-touch max-w-[50vw] rounded-[3px] border border-transparent bg-transparent px-1 text-lead font-semibold
          hover:border-edge"
      />
      {error && (
        <p
          role="alert"
          className="absolute top-full left-0 z-30 w-64 border border-stop bg-stop-bg px-2 py-1 text-small font-normal text-stop"
        >
          {error}
        </p>
      )}
    </h1>
  );
}
