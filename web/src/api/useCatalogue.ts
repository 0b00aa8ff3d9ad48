import { useQuery } from "@tanstack/react-query";

import { api } from "./client";

/** What there is to choose from; it changes where a thing is measured. */
export const useCatalogue = () =>
  useQuery({ queryKey: ["catalogue"], queryFn: api.catalogue, staleTime: 60_000 });
