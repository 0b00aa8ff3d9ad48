import { keepPreviousData, useQuery } from "@tanstack/react-query";

import { api } from "../../api/client";
import type { Answered } from "../../api/types";

/** What the list has by these words, and what they say; nothing for no words. */
export function useFound(words: string): Answered | null {
  const asked = words.trim();
  const { data } = useQuery({
    queryKey: ["found", asked],
    queryFn: () => api.findItems(asked),
    enabled: asked !== "",
    placeholderData: keepPreviousData,
    staleTime: 60_000,
  });
  return asked && data ? data : null;
}
