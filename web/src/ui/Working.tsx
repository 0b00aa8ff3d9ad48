import { useQueryClient, type QueryKey, type UseQueryResult } from "@tanstack/react-query";
import { useEffect, useState } from "react";

import { Button } from "./Button";
import { t } from "../messages";

const LATE_MS = 500;

interface Props {
  /** "Laying the sticks out" */
  what: string;
  running: boolean;
  /** Ends it, on the server too. */
  onStop: () => unknown;
}

/** What takes more than half a second is told, for how long it goes on, and can be stopped. */
export function Working({ what, running, onStop }: Props) {
  return running ? <Running key={what} what={what} onStop={onStop} /> : null;
}

function Running({ what, onStop }: Omit<Props, "running">) {
  const [since] = useState(() => performance.now());
  const [spent, setSpent] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => setSpent(performance.now() - since), LATE_MS);
    return () => clearInterval(timer);
  }, [since]);
  if (spent < LATE_MS) return null;
  const seconds = Math.floor(spent / 1000);
  return (
    <p className="flex items-center gap-2 py-1 text-plain text-soft">
      <span role="status">{what}…</span>
      <progress aria-label={what} className="h-1.5 w-20 accent-(--act)" />
      {seconds > 0 && <span className="hand">{t("ui.s", { seconds })}</span>}
      <Button onClick={onStop}>{t("ui.stop")}</Button>
    </p>
  );
}

interface QueryProps {
  what: string;
  query: Pick<UseQueryResult, "isPending" | "isFetching" | "isPlaceholderData" | "error" | "refetch">;
  /** What the query goes by. */
  of: QueryKey;
}

/** The same of a question that was asked of the server, with what went wrong; one that was stopped can be asked again. */
export function Asking({ what, query, of }: QueryProps) {
  const queries = useQueryClient();
  const old = query.isPending || query.isPlaceholderData;
  if (query.error)
    return (
      <p role="alert" className="my-4 border border-care bg-care-bg p-3 text-care">
        {query.error.message} <Button onClick={() => query.refetch()}>{t("ui.try-again")}</Button>
      </p>
    );
  return (
    <>
      <Working
        what={what}
        running={query.isFetching && old}
        onStop={() => queries.cancelQueries({ queryKey: of })}
      />
      {old && !query.isFetching && (
        <p className="flex items-center gap-2 py-1 text-plain text-soft">
          {t("ui.stopped", { what: query.isPlaceholderData ? t("ui.what-stands-here-is-older") : "" })}{" "}
          <Button onClick={() => query.refetch()}>{t("ui.work-it-out")}</Button>
        </p>
      )}
    </>
  );
}
