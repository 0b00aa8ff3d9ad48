import { createContext, use, useEffect, useMemo, type ReactNode } from "react";
import { useStore } from "zustand";
import { createStore, type StoreApi } from "zustand/vanilla";

import type { Session } from "./session";
import type { Shown } from "./state";
import { t } from "../../messages";

/** How often what is read follows a drag: hundreds of places take it a frame, so it does so less often. */
const PANEL_MS = { few: 250, many: 1000 };
const MANY = 150;

const Context = createContext<{ session: Session; shown: StoreApi<Shown> } | null>(null);

function useContext() {
  const found = use(Context);
  if (!found) throw new Error(t("rack.nothing-shown-here-page-has-no"));
  return found;
}

/** The session of this page: what the user does goes through it. */
export const useSession = (): Session => useContext().session;

/** A piece of what is shown; the component is drawn again when that piece changes. */
export const useShown = <T,>(piece: (shown: Shown) => T): T => useStore(useContext().shown, piece);

export function SessionShown({ session, children }: { session: Session; children: ReactNode }) {
  const value = useMemo(() => ({ session, shown: session.store }), [session]);
  return <Context value={value}>{children}</Context>;
}

/** What is read rather than watched: while something is dragged it follows a few times a second. */
export function Unhurried({ children }: { children: ReactNode }) {
  const { session } = useContext();
  const value = useMemo(
    () => ({ session, shown: createStore<Shown>(() => session.store.getState()) }),
    [session],
  );
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const follow = () => {
      timer = undefined;
      value.shown.setState(session.store.getState(), true);
    };
    follow();
    const stop = session.store.subscribe(({ held, design }) => {
      const places = design.rows.reduce((sum, row) => sum + row.count, 0);
      if (held) timer ??= setTimeout(follow, places < MANY ? PANEL_MS.few : PANEL_MS.many);
      else {
        clearTimeout(timer);
        follow();
      }
    });
    return () => {
      clearTimeout(timer);
      stop();
    };
  }, [session, value]);
  return <Context value={value}>{children}</Context>;
}

/** The two sides of a row in a word each, the datum's first: left and right, foot and top. */
export function useSides(): [string, string] {
  const [start, end] = useShown((shown) => shown.design.ends);
  return [start.replace(/ end$/, ""), end.replace(/ end$/, "")];
}
