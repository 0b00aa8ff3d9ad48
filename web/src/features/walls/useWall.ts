import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";

import { api, OfflineError, ProblemError, saidOf } from "../../api/client";
import { newKey } from "../../api/key";
import type { Patch, Wall } from "../../api/types";
import type { Outcome } from "../../ui/Field";

const AWAY = "Yardcliff does not answer. Your change waits here until it does.";
const RETRY_MS = 2000;

/** A change of a survey, or how to make it from the survey as it is once those before it are stored. */
export type Change = Patch | ((stored: Wall) => Patch);

interface Write {
  send: (stored: Wall, key: string) => Promise<Wall>;
  key: string;
}

const STALE = "This wall was changed in another window, and is shown as it is now.";

/** A survey under the user's hands: each change is stored, from the version that the one before made. */
export function useWall(id: string) {
  const queries = useQueryClient();
  const [trouble, setTrouble] = useState<string | null>(null);
  const wall = useQuery({ queryKey: ["wall", id], queryFn: () => api.wall(id), staleTime: 0 });
  const write = useMutation({
    // One after another: the version that a change is made from is the one that the last made.
    scope: { id: `wall-${id}` },
    mutationFn: ({ send, key }: Write) => {
      const stored = queries.getQueryData<Wall>(["wall", id]);
      if (!stored) throw new Error("The wall is not here yet.");
      return send(stored, key).catch((error: unknown) => {
        if (error instanceof ProblemError && error.problem.type.endsWith("/already-written"))
          return api.wall(id);
        throw error;
      });
    },
    // While the server is away it waits, and is sent as the same write.
    retry: (_, error) => error instanceof OfflineError,
    retryDelay: RETRY_MS,
    onSuccess: (stored) => {
      queries.setQueryData(["wall", id], stored);
      void queries.invalidateQueries({ queryKey: ["walls"] });
      // A rack that is opened next is worked out on the wall as it is now.
      queries.removeQueries({ queryKey: ["rack"], type: "inactive" });
      void queries.invalidateQueries({ queryKey: ["racks"] });
    },
  });

  const away = write.failureReason instanceof OfflineError && write.isPending;
  useEffect(() => {
    if (!away) return;
    const onLeave = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener("beforeunload", onLeave);
    return () => window.removeEventListener("beforeunload", onLeave);
  }, [away]);

  async function send(call: Write["send"]): Promise<Outcome> {
    try {
      await write.mutateAsync({ send: call, key: newKey() });
      setTrouble(null);
      return null;
    } catch (error) {
      if (error instanceof ProblemError && error.problem.status === 409) {
        await wall.refetch();
        return STALE;
      }
      return saidOf(error);
    }
  }
  const changed =
    (change: Change): Write["send"] =>
    (stored, key) =>
      api.changeWall(id, stored.version, change instanceof Function ? change(stored) : change, key);
  return {
    wall,
    trouble: away ? AWAY : trouble,
    /** Stores a change; answers with what could not be read, for the field that asked to show: it keeps what was typed. */
    change: async (change: Change) => {
      const outcome = await send(changed(change));
      return outcome === STALE ? `${STALE} Press Enter to put this into it.` : outcome;
    },
    /** The same where no field stands: what goes wrong is said above the drawing. */
    apply: (change: Change) => void send(changed(change)).then(setTrouble),
    rename: (name: string) => send(({ version }, key) => api.renameWall(id, version, name, key)),
    undo: () => void send(({ version }, key) => api.undoWall(id, version, key)),
    redo: () => void send(({ version }, key) => api.redoWall(id, version, key)),
    dismiss: () => setTrouble(null),
  };
}

export type WallControl = ReturnType<typeof useWall>;

export interface Obstacle {
  kind: string;
  x: string;
  y: string;
  width: string;
  height: string;
  hinge: string;
}

export interface Survey {
  width: string;
  height: string;
  skirting: string;
  makeup: string;
  block: string;
  studs: { measured: string[] };
  obstacles: Obstacle[];
  old: { x: string; y: string }[];
  way: string | null;
}

export const surveyOf = (wall: Wall) => wall.design.survey as unknown as Survey;

/** One thing on the wall changed; the others as they were. */
export const obstaclePatch = (wall: Wall, index: number, change: Partial<Obstacle>): Patch => ({
  obstacles: surveyOf(wall).obstacles.map((one, k) => (k === index ? { ...one, ...change } : one)),
});
