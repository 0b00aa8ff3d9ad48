import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { api } from "../../api/client";
import { Button } from "../../ui/Button";
import { Measure } from "../../ui/Measure";
import { Switch } from "../../ui/Switch";
import { useInstrument } from "./useInstrument";
import { t } from "../../messages";

const BY_HAND = t("instruments.by-hand");

interface Props {
  /** What it is held to next, and about how long that is, mm; null where there is nothing. */
  target: { title: string; x: number } | null;
  tape: string;
  /** What is said where there is no target. */
  none: string;
  /** Answers with what was wrong, or null; `by` is a simulated instrument's name. */
  onTake: (value: string, by: string) => Promise<string | null>;
}

/** Readings from an instrument: held to something, waited for until it is steady, taken. */
export function Reader({ target, tape, none, onTake }: Props) {
  const { data: known = [] } = useQuery({
    queryKey: ["instruments"],
    queryFn: api.instruments,
    staleTime: Infinity,
  });
  const [by, setBy] = useState(BY_HAND);
  const [error, setError] = useState<string | null>(null);
  const shown = useInstrument(by === BY_HAND ? null : by, target?.x ?? null, tape);
  if (!known.length) return null;
  const simulated = known.some(({ name, simulated }) => simulated && name === by);
  return (
    <div className="mb-2">
      <div className="flex items-center justify-between gap-2">
        <span className="text-soft">{t("instruments.measured")}</span>
        <Switch
          label={t("instruments.measured-with")}
          value={by}
          options={[BY_HAND, ...known.map(({ name }) => name)].map((name) => ({ value: name, label: name }))}
          onPick={setBy}
        />
      </div>
      {by !== BY_HAND && !target && <p className="text-plain text-soft">{none}</p>}
      {by !== BY_HAND && target && (
        <div className="mt-1 border border-rule bg-sheet px-2 py-1">
          <p className="text-plain text-soft">
            {t("instruments.hold-another-field-picked-by-click", { title: target.title })}
            {simulated && (
              <strong className="block font-semibold text-care">
                {t("instruments.simulated-stands-in-for-real", { by })}
              </strong>
            )}
          </p>
          <div className="flex items-center gap-3">
            <output className={`hand flex-1 text-head ${shown?.steady ? "font-semibold" : "text-soft"}`}>
              {shown?.text ? <Measure text={shown.text} /> : "…"}
            </output>
            <Button
              look="act"
              disabled={!shown?.steady}
              onClick={() => shown?.steady && void onTake(shown.value, simulated ? by : "").then(setError)}
            >
              {shown?.steady ? t("instruments.take-it") : t("instruments.hold-still")}
            </Button>
          </div>
          <p className="min-h-5 text-small text-care">{error ?? shown?.says}</p>
        </div>
      )}
    </div>
  );
}
