import { keepPreviousData, useQuery } from "@tanstack/react-query";

import { api } from "../../api/client";
import type { Answered } from "../../api/types";

/** So many letters are read. */
export const MOST_TEXT = 200;

/** What the list has by these words, and what they say; nothing for no words. */
export function useFound(words: string): Answered | null {
  const asked = words.trim();
  const { data } = useQuery({
    queryKey: ["found", asked],
    queryFn: () => api.findItems(asked),
    enabled: asked !== "" && asked.length <= MOST_TEXT,
    placeholderData: keepPreviousData,
    staleTime: 60_000,
  });
  return asked && asked.length <= MOST_TEXT && data ? data : null;
}
