import { useQuery, useQueryClient } from "@tanstack/react-query";

import { api } from "../../api/client";
import type { Chosen, Sawn, Timber } from "../../api/types";
import { useShown } from "../rack/shown";
import { word } from "../../messages";

/** Stock, prices, and what may be chosen among. */
export const useStock = () => useQuery({ queryKey: ["stock"], queryFn: api.stock });

/** Has plans and stock asked for anew: what changes one is seen in the other. */
export function useRefresh() {
  const queries = useQueryClient();
  return async () => {
    // What is still being fetched for the first time is from before: it would not be asked for again.
    await queries.cancelQueries({ queryKey: ["stock"] });
    await Promise.all([
      queries.invalidateQueries({ queryKey: ["timber"] }),
      queries.invalidateQueries({ queryKey: ["stock"] }),
    ]);
  };
}

/** A table of choices as a menu takes it. */
export const options = (chosen: Chosen[] | undefined) =>
  (chosen ?? []).map(({ name, says }) => ({ value: name, label: word(name), why: says }));

/** The cut plan and what it costs, of the rack as it is stored; asked for only where it is shown, or what is known of it. */
export function useTimber(ask = true) {
  const id = useShown((shown) => shown.rack.id);
  const version = useShown((shown) => shown.rack.version);
  const site = useShown((shown) => shown.rack.site);
  const facts = useShown((shown) => shown.facts);
  return useQuery({
    queryKey: ["timber", id, version, site, facts],
    queryFn: ({ signal }) => api.timber(id, signal),
    placeholderData: (last) => (last?.rack === id ? last : undefined),
    staleTime: 0,
    enabled: ask,
  });
}

export const sticks = (timber: Timber): Sawn[] => timber.groups.flatMap((group) => group.sawn);

/** The kind of stick that a key names: one that is bought has a number behind it. */
export const kindOf = (key: string) => key.replace(/ #\d+$/, "");

/** What keeps a stick as it is laid out, or lets it go. */
export const lockPatch = (stick: Sawn) => ({
  cutting: {
    locked: stick.locked ? { [stick.locked]: null } : { [stick.key]: stick.pieces.map(({ name }) => name) },
  },
});

/** What has a piece cut from another stick: that one is kept with it, and the one it came from without. */
export function movePatch(piece: string, from: Sawn, to: Sawn) {
  const rest = from.pieces.map(({ name }) => name).filter((name) => name !== piece);
  return {
    cutting: {
      locked: {
        [to.locked || to.key]: [...to.pieces.map(({ name }) => name), piece],
        ...(from.locked && { [from.locked]: rest.length ? rest : null }),
      },
    },
  };
}
