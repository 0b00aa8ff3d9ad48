import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";

import { flushSync } from "react-dom";

import { api, OfflineError, ProblemError } from "../../api/client";
import type { Design, Patch, Rack } from "../../api/types";
import type { Outcome } from "../../ui/Field";

const RETRY_MS = 2000;
const LOOK_MS = 4000;

export type Standing = "saved" | "saving" | "offline" | "stale";

export interface Session {
  rack: Rack;
  /** What is shown: the stored design, or the one being tried. */
  design: Design;
  standing: Standing;
  /** What went wrong with a change that no field asked for. */
  trouble: string | null;
  dismiss: () => void;
  /** Stores a change; answers with what could not be read, for the field that asked to show. */
  change: (patch: Patch) => Promise<Outcome>;
  /** The same where no field stands: what goes wrong is said above the drawing. */
  apply: (patch: Patch) => void;
  /** Show a change without storing it; null goes back to the stored design. */
  preview: (patch: Patch | null) => void;
  undo: () => void;
  redo: () => void;
  rename: (name: string) => Promise<Outcome>;
  takeNewer: () => void;
  keepMine: () => Promise<Rack>;
}

/**
 * A rack under the user's hands. Changes are stored one after another, each from the version that the one before
 * made; while the server is away they wait. Previews go out one at a time, the newest wins.
 */
export function useSession(id: string) {
  const queries = useQueryClient();
  const query = useQuery({ queryKey: ["rack", id], queryFn: () => api.rack(id), staleTime: Infinity });
  const rack = query.data;
  const [shown, setShown] = useState<Design | null>(null);
  const [standing, setStanding] = useState<Standing>("saved");
  const [trouble, setTrouble] = useState<string | null>(null);
  const newest = useRef<Rack | undefined>(rack);
  const line = useRef<Promise<unknown>>(Promise.resolve());
  const waiting = useRef(0);
  const unsaved = useRef<Patch>({});
  const trying = useRef<{ busy: boolean; next: Patch | null | undefined; turn: number }>({
    busy: false,
    next: undefined,
    turn: 0,
  });

  useEffect(() => {
    newest.current = rack;
  }, [rack]);

  const settle = useCallback(
    (next: Rack) => {
      newest.current = next;
      queries.setQueryData(["rack", id], next);
      void queries.invalidateQueries({ queryKey: ["racks"] });
    },
    [queries, id],
  );

  /** Runs a write after those before it; waits out an absent server. */
  const write = useCallback(
    (send: (base: number) => Promise<Rack>, patch: Patch = {}): Promise<Outcome> => {
      waiting.current += 1;
      const job = line.current.then(async (): Promise<Outcome> => {
        setStanding((now) => (now === "stale" ? now : "saving"));
        for (;;) {
          try {
            const base = newest.current?.version ?? 0;
            settle(await send(base));
            if (waiting.current === 1) {
              trying.current.turn += 1;
              setShown(null);
            }
            setStanding("saved");
            setTrouble(null);
            return null;
          } catch (error) {
            if (error instanceof OfflineError) {
              setStanding("offline");
              await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
              continue;
            }
            if (error instanceof ProblemError && error.problem.type.endsWith("stale-rack")) {
              unsaved.current = patch;
              setStanding("stale");
              return null;
            }
            trying.current.turn += 1;
            setShown(null);
            setStanding("saved");
            const message = error instanceof ProblemError ? readable(error) : String(error);
            return message;
          }
        }
      });
      line.current = job.finally(() => (waiting.current -= 1));
      return job;
    },
    [settle],
  );

  const change = useCallback(
    (patch: Patch) => write((base) => api.change(id, base, patch), patch),
    [write, id],
  );

  const preview = useCallback((patch: Patch | null) => {
    const state = trying.current;
    state.turn += 1;
    state.next = patch;
    if (state.busy) return;
    state.busy = true;
    void (async () => {
      while (state.next !== undefined) {
        const wanted = state.next;
        const turn = state.turn;
        state.next = undefined;
        const brief = newest.current?.design.brief;
        if (wanted === null || !brief) setShown(null);
        else {
          try {
            const design = await api.solve(brief, wanted);
            // A stored change, or a return to it, overtakes a preview that was still under way.
            if (state.next !== null && (turn === state.turn || state.next !== undefined))
              flushSync(() => setShown(design)); // now, not when the scheduler comes to it: a hand is waiting
          } catch {
            /* The last good drawing stays; storing the change will say what is wrong. */
          }
        }
      }
      state.busy = false;
    })();
  }, []);

  // Another window may have changed the rack: look now and then, and tell before the user edits on.
  useEffect(() => {
    const timer = setInterval(() => {
      if (document.hidden || waiting.current > 0 || !newest.current) return;
      api.version(id).then(
        ({ version }) => {
          if (waiting.current > 0 || !newest.current) return;
          setStanding((now) => {
            if (version > (newest.current?.version ?? 0)) return "stale";
            return now === "offline" ? "saved" : now;
          });
        },
        (error) => error instanceof OfflineError && setStanding("offline"),
      );
    }, LOOK_MS);
    return () => clearInterval(timer);
  }, [id]);

  const takeNewer = useCallback(() => {
    unsaved.current = {};
    void api.rack(id).then((next) => {
      settle(next);
      setShown(null);
      setStanding("saved");
    });
  }, [id, settle]);

  const keepMine = useCallback(async () => {
    const brief = newest.current?.design.brief;
    const copy = await api.copy(id, { ...(brief && { brief }), patch: unsaved.current });
    unsaved.current = {};
    void queries.invalidateQueries({ queryKey: ["racks"] });
    setShown(null);
    setStanding("saved");
    return copy;
  }, [id, queries]);

  const apply = useCallback((patch: Patch) => void change(patch).then(setTrouble), [change]);
  const session = useMemo<Session | null>(
    () =>
      rack
        ? {
            rack,
            design: shown ?? rack.design,
            standing,
            trouble,
            dismiss: () => setTrouble(null),
            change,
            apply,
            preview,
            undo: () => rack.undo && void write((base) => api.undo(id, base)),
            redo: () => rack.redo && void write((base) => api.redo(id, base)),
            rename: (name) => write((base) => api.rename(id, base, name)),
            takeNewer,
            keepMine,
          }
        : null,
    [rack, shown, standing, trouble, change, apply, preview, write, id, takeNewer, keepMine],
  );
  return { session, error: query.error };
}

/** The messages of a problem without their paths: the field they stand at says which it is. */
function readable(error: ProblemError): string {
  const { errors, detail } = error.problem;
  return errors?.length ? errors.map((e) => e.message).join(" ") : detail;
}
