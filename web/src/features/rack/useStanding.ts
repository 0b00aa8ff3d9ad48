import { keepPreviousData, useQuery } from "@tanstack/react-query";

import { api } from "../../api/client";
import { useShown } from "./shown";

/** What the wall allows the rack as it is stored: worked out anew after each change, the last one shown meanwhile. */
export function useStanding() {
  const id = useShown((shown) => shown.rack.id);
  const version = useShown((shown) => shown.rack.version);
  const site = useShown((shown) => shown.rack.site);
  return useQuery({
    queryKey: ["standing", id, version, site],
    queryFn: ({ signal }) => api.standing(id, signal),
    placeholderData: keepPreviousData,
    staleTime: 0,
  });
}
