import * as RadioGroup from "radix-ui/radio-group";
import { useMemo, useState, type FormEvent } from "react";

import { api, ProblemError, reasonOf } from "../../api/client";
import type { ItemChoice, Kept } from "../../api/types";
import { useTape } from "../../api/useSettings";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { Input } from "../../ui/Input";
import { RackDrawing } from "../../ui/RackDrawing";
import { unitOf } from "../../ui/measures";
import { fitting } from "../../ui/fitting";
import { t, word } from "../../messages";

const OUTLINE = { width: 44, height: 48 };
const ASKED = [
  ["width", t("items.how-wide-it-hangs"), t("items.widest-seen-from-the-front")],
  ["below", t("items.how-far-it-hangs-down"), t("items.from-what-it-hangs-on-to-its-foot")],
  ["front", t("items.how-far-it-stands-off"), t("items.from-the-wall-to-its-front")],
] as const;

interface Props {
  name: string;
  items: readonly ItemChoice[];
  onKept: (kept: Kept) => void;
  onClose: () => void;
}

/** A thing that is in no list, from three measures and an outline: how it is held and what it weighs are taken
 * from what looks like it, and can be said on its own sheet later. */
export function ThreeMeasures({ name, items, onKept, onClose }: Props) {
  const outlines = useMemo(() => {
    const first = new Map<string, ItemChoice>();
    for (const item of items) {
      const shape = item.columns["shape"];
      if (shape && !item.own && !first.has(shape)) first.set(shape, item);
    }
    return [...first];
  }, [items]);
  const [columns, setColumns] = useState<Record<string, string>>({
    name,
    width: "",
    shape: outlines[0]?.[0] ?? "",
  });
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [trouble, setTrouble] = useState<string | null>(null);
  const unit = unitOf(useTape());
  const like = outlines.find(([shape]) => shape === columns["shape"])?.[1];
  const set = (column: string) => (text: string) => setColumns((old) => ({ ...old, [column]: text }));

  async function keep(event: FormEvent) {
    event.preventDefault();
    setTrouble(null);
    try {
      onKept(await api.keepItem(null, columns, unit));
    } catch (error) {
      const found = error instanceof ProblemError ? (error.problem.errors ?? []) : [];
      setErrors(Object.fromEntries(found.map((one) => [one.field, one.message])));
      const told = found.some(({ field }) => field in columns || ASKED.some(([column]) => column === field));
      setTrouble(told ? null : reasonOf(error));
    }
  }
  const input = (column: string, label: string, hint?: string) => (
    <Input
      label={label}
      value={columns[column] ?? ""}
      error={errors[column]}
      placeholder={hint}
      onChange={set(column)}
    />
  );
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={t("items.three-measures")} wide>
      <form onSubmit={(event) => void keep(event)} className="flex flex-col gap-3">
        <div className="grid gap-x-8 gap-y-1 sm:grid-cols-2">
          {input("name", word("name"))}
          {ASKED.map(([column, label, hint]) => (
            <div key={column}>{input(column, label, hint)}</div>
          ))}
          {input("weight_g", t("items.about-how-heavy"), like?.columns["weight_g"])}
        </div>
        <fieldset>
          <legend className="text-soft">{t("items.looks-and-hangs-most-like")}</legend>
          <RadioGroup.Root
            aria-label={t("items.looks-and-hangs-most-like")}
            value={columns["shape"] ?? ""}
            onValueChange={set("shape")}
            className="mt-1 grid grid-cols-[repeat(auto-fill,minmax(5.5rem,1fr))] gap-1.5"
          >
            {outlines.map(([shape, item]) => (
              <RadioGroup.Item
                key={shape}
                value={shape}
                className="chosen-frame flex flex-col items-center justify-between gap-1 border border-edge bg-paper p-1.5"
              >
                <RackDrawing scene={item.scene} scale={fitting([item.scene], OUTLINE)} pad={2} />
                <span className="text-fine leading-tight">{item.name}</span>
              </RadioGroup.Item>
            ))}
          </RadioGroup.Root>
        </fieldset>
        {trouble && (
          <p role="alert" className="border border-stop bg-stop-bg px-2 py-1 text-stop">
            {trouble}
          </p>
        )}
        <Button type="submit" look="act" className="self-start px-4">
          {t("items.hang-it-up")}
        </Button>
      </form>
    </Dialog>
  );
}
