import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef } from "react";

import { api } from "../../api/client";
import type { Making, Tick, Shop, Task } from "../../api/types";
import { useShown } from "../rack/shown";
import { runningSince } from "./Clock";
import { useOutbox, type Refused } from "./outbox";

const MINUTE_MS = 60_000;

/** The order of work of a rack as it is stored, from now on, with what is ticked and not sent yet. */
export function useMakingOf(id: string, state: string, ask = true) {
  const [outbox, held] = useOutbox(id);
  const unsent = held.waiting;
  const queries = useQueryClient();
  // By one key whatever the state: what is known stays when the server is away, and nothing old comes after what is newer.
  const making = useQuery({
    queryKey: ["making", id],
    queryFn: ({ signal }) => api.making(id, signal),
    refetchInterval: MINUTE_MS,
    staleTime: 0,
    enabled: ask,
  });
  const refresh = useCallback(async () => {
    await Promise.all(["making", "log"].map((key) => queries.invalidateQueries({ queryKey: [key, id] })));
    // A look at what happened elsewhere may have cut that short: what took its place is waited for.
    const queryKey = ["making", id];
    while (queries.isFetching({ queryKey }))
      await queries.refetchQueries({ queryKey }, { cancelRefetch: false });
  }, [queries, id]);
  const seen = useRef(state);
  useEffect(() => {
    if (seen.current !== state) void queries.invalidateQueries({ queryKey: ["making", id] });
    seen.current = state;
  }, [queries, id, state]);
  useEffect(() => outbox.seenBy(refresh), [outbox, refresh]);
  const tick = useCallback(
    async (item: string, done: boolean) => {
      await outbox.say(item, done);
    },
    [outbox],
  );
  return {
    ...making,
    data: making.data && overlaid(making.data, unsent),
    tick,
    held,
    letGo: (refused: Refused) => outbox.letGo(refused),
  };
}

/** The same of the rack on this page. */
export function useMaking(ask = true) {
  const id = useShown((shown) => shown.rack.id);
  const version = useShown((shown) => shown.rack.version);
  const site = useShown((shown) => shown.rack.site);
  const facts = useShown((shown) => shown.facts);
  return useMakingOf(id, `${version} ${site} ${facts ?? ""}`, ask);
}

/** What was said and not heard yet, as if it had been. */
export function overlaid(making: Making, unsent: Tick[]): Making {
  if (!unsent.length) return making;
  const last = new Map(unsent.map(({ item, at }) => [item, at ?? null]));
  return {
    ...making,
    clock: runningSince(making.clock, unsent),
    tasks: making.tasks.map((task) => {
      const done = last.has(task.key) ? (last.get(task.key) ?? null) : task.done;
      return {
        ...task,
        done,
        waited: last.has(`${task.key}|wait`) ? last.get(`${task.key}|wait`) !== null : task.waited,
        lines: task.lines.map((line) => ({
          ...line,
          done: done !== null || (last.has(line.item) ? last.get(line.item) !== null : line.done),
        })),
      };
    }),
  };
}

/** The order with a task before another, or at the end. */
export function reordered(tasks: Task[], key: string, before: string | null): string[] {
  const keys = tasks.map((task) => task.key).filter((one) => one !== key);
  keys.splice(before === null ? keys.length : keys.indexOf(before), 0, key);
  return keys;
}

export const useShop = () => useQuery({ queryKey: ["shop"], queryFn: api.shop });

/** What was kept last: changes follow one another, each on top of the one before. */
let kept: Promise<unknown> = Promise.resolve();

/** Has the workshop changed, and what depends on it asked for anew. */
export function useKeepShop() {
  const queries = useQueryClient();
  return (change: (shop: Shop) => Shop): Promise<void> => {
    const now = kept.then(async () => {
      const { shop } = await queries.ensureQueryData({ queryKey: ["shop"], queryFn: api.shop });
      queries.setQueryData(["shop"], await api.keepShop(change(shop)));
      await Promise.all(
        ["making", "log", "timber"].map((key) => queries.invalidateQueries({ queryKey: [key] })),
      );
    });
    kept = now.catch(() => undefined);
    return now;
  };
}
