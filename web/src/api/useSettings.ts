import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";

import { api } from "./client";
import type { Settings, SettingsView, TapeName } from "./types";

/** What the user works with; guessed by the server until it is said. */
export const useSettings = () =>
  useQuery({ queryKey: ["settings"], queryFn: api.settings, staleTime: Infinity });

export const useTape = (): TapeName => useSettings().data?.tape ?? "1 mm";

/** Keeps what is said, beside what was. */
export function useKeepSettings() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (change: Settings) => {
      const now = await queries.ensureQueryData({ queryKey: ["settings"], queryFn: api.settings });
      const { trade, tape, paper, currency, saw, kerf }: SettingsView = now;
      // Another trade has its own paper, unless one was asked for; another saw its own kerf.
      const kept = {
        ...(change.trade && change.trade !== trade ? {} : { paper }),
        ...(change.saw && change.saw !== saw ? {} : { kerf }),
      };
      return api.keepSettings({ trade, tape, currency, saw, ...kept, ...change });
    },
    onSuccess: (settings) => {
      queries.setQueryData(["settings"], settings);
      for (const key of ["catalogue", "stock", "shop"]) void queries.invalidateQueries({ queryKey: [key] });
    },
  });
}
