import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { api } from "../../api/client";
import type { Log } from "../../api/types";
import { Button } from "../../ui/Button";
import { Measure } from "../../ui/Measure";
import { Switch } from "../../ui/Switch";
import { useShown } from "../rack/shown";
import { useInstrument } from "./useInstrument";
import type { useLog } from "./useLog";

const BY_HAND = "by hand";

interface Props {
  log: Log;
  write: ReturnType<typeof useLog>["write"];
}

/** Readings taken from an instrument, one thing after the other: held to it, waited for until it is steady, taken. */
export function Instrument({ log, write }: Props) {
  const { data: names = [] } = useQuery({
    queryKey: ["instruments"],
    queryFn: api.instruments,
    staleTime: Infinity,
  });
  const tape = useShown((shown) => shown.design.tape.name);
  const [by, setBy] = useState(BY_HAND);
  const [error, setError] = useState<string | null>(null);
  const next = log.measured.find((one) => one.found === "");
  const chosen = by === BY_HAND ? null : by;
  const shown = useInstrument(chosen, next?.x ?? null, tape);
  if (!names.length) return null;
  async function take() {
    if (next && shown?.steady)
      setError(await write({ kind: "measured", what: next.what, text: shown.value }));
  }
  return (
    <div className="mb-2">
      <div className="flex items-center justify-between gap-2">
        <span className="text-soft">measured</span>
        <Switch
          label="Measured with"
          value={by}
          options={[BY_HAND, ...names].map((name) => ({ value: name, label: name }))}
          onPick={setBy}
        />
      </div>
      {chosen &&
        (next ? (
          <form
            className="mt-1 border border-rule bg-sheet px-2 py-1"
            onSubmit={(event) => {
              event.preventDefault();
              void take();
            }}
          >
            <p className="text-[0.9rem] text-soft">Hold it to {next.title}.</p>
            <div className="flex items-center gap-3">
              <output
                className={`hand flex-1 text-[1.5rem] ${shown?.steady ? "font-semibold" : "text-soft"}`}
              >
                {shown?.text ? <Measure text={shown.text} /> : "…"}
              </output>
              <Button type="submit" look="act" disabled={!shown?.steady}>
                {shown?.steady ? "Take it" : "Hold still"}
              </Button>
            </div>
            <p className="min-h-5 text-[0.87rem] text-care">{error ?? shown?.says}</p>
          </form>
        ) : (
          <p className="text-[0.9rem] text-soft">All is measured. Clear a figure to take it again.</p>
        ))}
    </div>
  );
}
