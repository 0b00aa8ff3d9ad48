import { onlineManager, QueryClient } from "@tanstack/react-query";

// The server is this machine, or one beside it: what the browser thinks of the internet says nothing of it.
onlineManager.setEventListener(() => undefined);

/** What the page knows of the server, and what it has still to tell it. */
export const queries = new QueryClient({ defaultOptions: { queries: { retry: 1, staleTime: 10_000 } } });
