import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { api, ProblemError, saidOf } from "../../api/client";
import type { Patch, Wall } from "../../api/types";
import type { Outcome } from "../../ui/Field";

const STALE = "This wall was changed in another window, and is shown as it is now.";

/** A survey under the user's hands: each change is stored, from the version that the one before made. */
export function useWall(id: string) {
  const queries = useQueryClient();
  const [trouble, setTrouble] = useState<string | null>(null);
  const wall = useQuery({ queryKey: ["wall", id], queryFn: () => api.wall(id), staleTime: 0 });
  const write = useMutation({
    // One after another: the version that a change is made from is the one that the last made.
    scope: { id: `wall-${id}` },
    mutationFn: (send: (base: number) => Promise<Wall>) =>
      send(queries.getQueryData<Wall>(["wall", id])?.version ?? 0),
    onSuccess: (stored) => {
      queries.setQueryData(["wall", id], stored);
      void queries.invalidateQueries({ queryKey: ["walls"] });
      // A rack that is opened next is worked out on the wall as it is now.
      queries.removeQueries({ queryKey: ["rack"], type: "inactive" });
      void queries.invalidateQueries({ queryKey: ["racks"] });
    },
  });

  async function send(call: (base: number) => Promise<Wall>): Promise<Outcome> {
    try {
      await write.mutateAsync(call);
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
  return {
    wall,
    trouble,
    /** Stores a change; answers with what could not be read, for the field that asked to show: it keeps what was typed. */
    change: async (patch: Patch) => {
      const outcome = await send((base) => api.changeWall(id, base, patch));
      return outcome === STALE ? `${STALE} Press Enter to put this into it.` : outcome;
    },
    /** The same where no field stands: what goes wrong is said above the drawing. */
    apply: (patch: Patch) => void send((base) => api.changeWall(id, base, patch)).then(setTrouble),
    rename: (name: string) => send((base) => api.renameWall(id, base, name)),
    undo: () => void send((base) => api.undoWall(id, base)),
    redo: () => void send((base) => api.redoWall(id, base)),
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
  studs: { measured: string[] };
  obstacles: Obstacle[];
  old: { x: string; y: string }[];
  way: string | null;
}

export const surveyOf = (wall: Wall) => wall.design.survey as unknown as Survey;
