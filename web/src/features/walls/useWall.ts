import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { useStore } from "zustand";

import { api } from "../../api/client";
import { queries } from "../../api/queries";
import type { Obstacle, Patch, Wall } from "../../api/types";
import { useLeaveWarning } from "../../ui/useLeaveWarning";
import { SurveyWrites } from "./writes";

const boxes = new Map<string, SurveyWrites>();

/** What is written to a wall, one for the page: it goes on while another sheet is looked at. */
function writesOf(id: string): SurveyWrites {
  const box = boxes.get(id) ?? new SurveyWrites(id, seenWall(id));
  boxes.set(id, box);
  return box;
}

const seenWall = (id: string) => ({
  get: () => queries.getQueryData<Wall>(["wall", id]),
  put: (stored: Wall) => {
    queries.setQueryData(["wall", id], stored);
    void queries.invalidateQueries({ queryKey: ["walls"] });
    // A rack that is opened next is worked out on the wall as it is now.
    queries.removeQueries({ queryKey: ["rack"], type: "inactive" });
    for (const key of ["racks", "drawn"]) void queries.invalidateQueries({ queryKey: [key] });
  },
});

/** A survey under the user's hands. */
export function useWall(id: string) {
  const wall = useQuery({ queryKey: ["wall", id], queryFn: () => api.wall(id), staleTime: 0 });
  const writes = writesOf(id);
  const { trouble, away } = useStore(writes.store);
  const here = wall.data !== undefined;
  useEffect(() => {
    if (here) void writes.resume();
  }, [writes, here]);
  useLeaveWarning(() => away);
  return { wall, trouble, writes };
}

/** One thing on the wall changed; the others as they were. */
export const obstaclePatch = (wall: Wall, index: number, change: Partial<Obstacle>): Patch => ({
  obstacles: wall.design.survey.obstacles.map((one, k) => (k === index ? { ...one, ...change } : one)),
});
