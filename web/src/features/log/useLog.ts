import { useQuery, useQueryClient } from "@tanstack/react-query";

import { api, saidOf, wallTime } from "../../api/client";
import type { EntryText } from "../../api/types";
import { useShown } from "../rack/shown";

type Written = Pick<EntryText, "kind"> & Partial<Omit<EntryText, "kind">>;

/** The log of the rack on this page, against its plan as it is stored; writing answers with what was wrong, or null. */
export function useLog() {
  const id = useShown((shown) => shown.rack.id);
  const version = useShown((shown) => shown.rack.version);
  const queries = useQueryClient();
  const facts = useShown((shown) => shown.facts);
  const key = ["log", id, version, facts];
  const log = useQuery({ queryKey: key, queryFn: () => api.log(id), placeholderData: (last) => last });
  async function kept(work: ReturnType<typeof api.log>): Promise<string | null> {
    try {
      queries.setQueryData(key, await work);
      return null;
    } catch (error) {
      return saidOf(error);
    }
  }
  const write = (entry: Written) =>
    kept(
      api.writeLog(id, {
        what: "",
        text: "",
        found: [],
        by: "",
        day: wallTime().slice(0, 10),
        ...entry,
      }),
    );
  return { ...log, write, takeBack: (entry: string) => kept(api.takeBackEntry(id, entry)) };
}
