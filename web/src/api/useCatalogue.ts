import { keepPreviousData, useQuery } from "@tanstack/react-query";

import type { Trade } from "../ui/measures";
import { api } from "./client";

/** What there is to choose from; it changes where a thing is measured. */
export const useCatalogue = (trade?: Trade) =>
  useQuery({
    queryKey: ["catalogue", trade ?? ""],
    queryFn: () => api.catalogue(trade),
    staleTime: 60_000,
    placeholderData: keepPreviousData,
  });
