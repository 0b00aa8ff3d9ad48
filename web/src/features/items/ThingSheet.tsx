import { useState, type FormEvent } from "react";

import { api, ProblemError, reasonOf } from "../../api/client";
import type { ItemChoice, Kept } from "../../api/types";
import { useTape } from "../../api/useSettings";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { Input } from "../../ui/Input";
import { Pick } from "../../ui/Pick";
import { TypedBefore } from "../../ui/TypedBefore";
import { useDraft } from "../../ui/useDraft";
import { unitOf } from "../../ui/measures";
import { Reader } from "../instruments/Reader";
import { HowToMeasure, lengthOf, MEASURES, TAKES, type Measured } from "./MeasureFigure";
import { t, word } from "../../messages";

interface Props {
  item: ItemChoice;
  groups: readonly string[];
  shapes: readonly string[];
  onKept: (kept: Kept) => void;
  onForget: (() => void) | null;
  onClose: () => void;
}

const as = (values: readonly string[]) => values.map((value) => ({ value, label: word(value) }));

/** A thing of one's own: measured as it hangs, kept for every rack. */
export function ThingSheet({ item, groups, shapes, onKept, onForget, onClose }: Props) {
  const [columns, setColumns, letGo, found] = useDraft(`thing ${item.key}`, item.columns);
  const [lit, setLit] = useState<Measured | null>(null);
  /** What was looked at last: a reading goes there. */
  const [last, setLast] = useState<Measured>(MEASURES[0]);
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [trouble, setTrouble] = useState<string | null>(null);
  const set = (column: string) => (text: string) => setColumns((old) => ({ ...old, [column]: text }));
  const text = (column: string) => columns[column] ?? "";
  const unit = unitOf(useTape());

  async function keep(event: FormEvent) {
    event.preventDefault();
    setTrouble(null);
    try {
      // A typical thing under another name is a new one.
      const key = item.own || text("name") === item.name ? item.key : null;
      const kept = await api.keepItem(key, columns, unit);
      letGo();
      onKept(kept);
    } catch (error) {
      const problem = error instanceof ProblemError ? error.problem : null;
      setErrors(Object.fromEntries((problem?.errors ?? []).map((one) => [one.field, one.message])));
      setTrouble(problem?.errors?.length ? null : reasonOf(error));
    }
  }
  const input = (column: string, label: string) => (
    <Input label={label} value={text(column)} error={errors[column]} onChange={set(column)} />
  );

  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={item.name} wide>
      <form onSubmit={(event) => void keep(event)} className="flex flex-wrap gap-6">
        <TypedBefore found={found} onAfresh={letGo} />
        <HowToMeasure strokes={item.scene.symbols[0]?.strokes ?? []} measures={item.measures} lit={lit} />
        <div className="flex w-96 grow flex-col gap-1">
          {input("name", word("name"))}
          {input("plural", word("several"))}
          <div className="grid grid-cols-2 gap-x-4">
            {MEASURES.map((measure) => (
              <div
                key={measure}
                onFocus={() => {
                  setLit(measure);
                  setLast(measure);
                }}
                onBlur={() => setLit(null)}
              >
                {input(measure, word(measure))}
              </div>
            ))}
            {input("weight_g", word("weight"))}
            {input("full_g", t("items.wet-or-full"))}
            {input("tug_n", t("items.a-hand-pulls-with"))}
            {input("air", word("air"))}
            {text("takes") === "bridge" && input("span", t("items.holders-apart"))}
          </div>
          <Reader
            target={{ title: last, x: lengthOf(item.measures, last) }}
            tape={unit === "in" ? "1/16 in" : "1 mm"}
            none=""
            onTake={(value) => {
              set(last)(value);
              setLast(MEASURES[(MEASURES.indexOf(last) + 1) % MEASURES.length] ?? last);
              return Promise.resolve(null);
            }}
          />
          <Choice label={t("items.hangs-on")} value={text("takes")} options={TAKES} onPick={set("takes")} />
          <Choice
            label={t("items.drawn-as")}
            value={text("shape")}
            options={as(shapes)}
            onPick={set("shape")}
          />
          <Choice label={t("items.among")} value={text("group")} options={as(groups)} onPick={set("group")} />
          {trouble && (
            <p role="alert" className="border border-stop bg-stop-bg px-2 py-1 text-stop">
              {trouble}
            </p>
          )}
          <div className="mt-3 flex flex-wrap gap-2">
            <Button type="submit" look="act">
              {t("items.keep-as-measured")}
            </Button>
            {onForget && (
              <Button
                onClick={() => {
                  letGo();
                  onForget();
                }}
              >
                {t("items.forget-it")}
              </Button>
            )}
          </div>
        </div>
      </form>
    </Dialog>
  );
}

interface ChoiceProps {
  label: string;
  value: string;
  options: { value: string; label: string }[];
  onPick: (value: string) => void;
}

function Choice({ label, value, options, onPick }: ChoiceProps) {
  return (
    <div className="flex items-center justify-between">
      <span className="text-soft">{label}</span>
      <Pick label={label} value={value} options={options} onPick={onPick} />
    </div>
  );
}
