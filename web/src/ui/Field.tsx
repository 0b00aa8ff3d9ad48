import { useId, useRef, useState, type KeyboardEvent } from "react";
import { useLocation } from "react-router";

import { keepIn } from "./keepIn";
import { Measure } from "./Measure";
import { useDraft } from "./useDraft";
import { t } from "../messages";

/** What a field's commit led to: nothing to say, or what could not be read. */
export type Outcome = string | null;

interface Props {
  /** What is typed here, among all of its page: it is kept under this while it is half typed. */
  name: string;
  label: string;
  value: string;
  /** Takes the typed text; answers with the message to show at the field, or null. */
  onCommit: (text: string) => Promise<Outcome>;
  /** Arrow up and down, if the value can be stepped. */
  onStep?: (direction: 1 | -1) => void;
  labelHidden?: boolean;
  /** Worked out, not given. */
  italic?: boolean;
  /** Standing alone, with a border of its own. */
  boxed?: boolean;
  /** Standing alone among words, with a border and room for a placeholder. */
  bordered?: boolean;
  /** On a line of its own. */
  wide?: boolean;
  placeholder?: string;
  className?: string;
}

/**
 * A figure that is typed: units and fractions as people write them. Text that cannot be read stays in the
 * field with the message, and the design stays as it was; Escape brings the figure back.
 */
export function Field({
  name,
  label,
  value,
  onCommit,
  onStep,
  labelHidden,
  italic,
  boxed,
  bordered,
  wide,
  placeholder,
  className = "",
}: Props) {
  const { pathname } = useLocation();
  const [draft, setDraft, letGo] = useDraft<string | null>(`${pathname} ${name}`, null);
  const [error, setError] = useState<Outcome>(
    draft !== null && draft.trim() !== value ? t("ui.typed-before-and-not-taken", { value }) : null,
  );
  const id = useId();
  const sending = useRef<string | null>(null);

  async function commit() {
    if (draft === null || draft.trim() === value) {
      letGo();
      setError(null);
      return;
    }
    if (sending.current === draft) return; // Enter and then leaving the field is one commit
    sending.current = draft;
    const outcome = await onCommit(draft.trim());
    sending.current = null;
    setError(outcome);
    if (outcome === null) letGo();
  }

  function onKeyDown(event: KeyboardEvent) {
    if (event.key === "Enter") void commit();
    if (event.key === "Escape") {
      letGo();
      setError(null);
      event.stopPropagation();
    }
    if (onStep && (event.key === "ArrowUp" || event.key === "ArrowDown")) {
      event.preventDefault();
      onStep(event.key === "ArrowUp" ? 1 : -1);
    }
  }

  return (
    <div className={`relative flex min-w-0 items-baseline gap-1 ${className}`}>
      <label htmlFor={id} className={labelHidden ? "sr-only" : "shrink-0 text-soft"}>
        {label}
      </label>
      {!labelHidden && !bordered && (
        <span aria-hidden className="mb-1 min-w-0 flex-1 self-end border-b border-dotted border-rule" />
      )}
      <input
        id={id}
        name={name}
        value={draft ?? value}
        onChange={(event) => setDraft(event.target.value)}
        onFocus={(event) => event.target.select()}
        onBlur={() => void commit()}
        onKeyDown={onKeyDown}
        aria-invalid={error !== null}
        aria-describedby={error ? `${id}-error` : undefined}
        placeholder={placeholder}
        autoComplete="off"
        spellCheck={false}
        className={`hand min-h-7 min-w-0 shrink-0 rounded-[3px] border bg-transparent px-1
          text-plain hover:border-edge focus:border-ink focus:bg-paper focus:outline-2 focus:outline-act
          aria-invalid:border-stop aria-invalid:bg-stop-bg pointer-coarse:min-h-touch ${draft === null && /\d\/\d/.test(value) ? "frac" : ""} ${italic ? "text-act italic" : ""} ${boxed ? "w-14 border-edge text-center" : bordered ? "w-[11rem] border-edge px-2" : `rounded-b-none border-transparent border-b-edge text-right ${wide ? "w-[7rem]" : "w-[4.9rem]"}`}`}
      />
      {error && (
        <p
          id={`${id}-error`}
          ref={keepIn}
          role="alert"
          className="absolute top-full right-0 z-30 mt-0.5 w-64 border border-stop bg-stop-bg px-2 py-1 text-small text-stop"
        >
          <Measure text={error} />
        </p>
      )}
    </div>
  );
}
