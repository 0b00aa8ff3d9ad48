import { useEffect, useRef } from "react";

/** What each key does: a lower-case key, or `undo` and `redo` for the usual combinations. */
type Shortcuts = Record<string, () => void>;

const TAKEN = "input:not([type=radio], [type=checkbox]), [role=listbox], [role=dialog], [role=menu]";

/** The page's keys, while no field, list or menu has them. */
export function useShortcuts(shortcuts: Shortcuts) {
  const latest = useRef(shortcuts);
  useEffect(() => {
    latest.current = shortcuts;
  });
  useEffect(() => {
    function onKey(event: KeyboardEvent) {
      if ((event.target as HTMLElement).closest(TAKEN)) return;
      const run = latest.current[named(event) ?? ""];
      if (!run) return;
      event.preventDefault();
      run();
    }
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
}

function named(event: KeyboardEvent): string | null {
  const key = event.key.toLowerCase();
  if (event.altKey) return null;
  if (!event.ctrlKey && !event.metaKey) return key;
  if (key === "z") return event.shiftKey ? "redo" : "undo";
  return key === "y" ? "redo" : null;
}
