import { keepPreviousData, useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate } from "react-router";

import { api } from "../../api/client";
import type { ItemChoice, TapeName } from "../../api/types";
import { Button } from "../../ui/Button";
import { readCount } from "../../ui/count";
import { Field } from "../../ui/Field";
import { Measure } from "../../ui/Measure";
import { Switch } from "../../ui/Switch";
import { RackDrawing } from "./RackDrawing";

const KEY = "yardcliff-tape";
const LINE_HEIGHT = 150;
const PREVIEW = { width: 760, height: 340 };

/** The opening question: what hangs here, and how many. The rack is drawn as it is answered. */
export function NewRackPage() {
  const navigate = useNavigate();
  const [tape, setTape] = useState<TapeName>(() => (localStorage.getItem(KEY) as TapeName | null) ?? "1 mm");
  const [item, setItem] = useState<string | null>(null);
  const [count, setCount] = useState(5);
  const catalogue = useQuery({ queryKey: ["catalogue"], queryFn: api.catalogue, staleTime: Infinity });
  const start = useQuery({
    queryKey: ["start", item, count, tape],
    queryFn: () => api.start(item ?? "", count, tape),
    enabled: item !== null,
    placeholderData: keepPreviousData,
  });
  const make = useMutation({
    mutationFn: () => api.make(item ?? "", count, tape),
    onSuccess: (rack) => navigate(`/racks/${rack.id}`),
  });
  const items = catalogue.data?.items ?? [];
  const scale = Math.min(...items.map((one) => LINE_HEIGHT / (one.scene.extent.y1 - one.scene.extent.y0)));
  const chosen = items.find((one) => one.key === item);

  function commitCount(text: string): Promise<string | null> {
    const next = readCount(text, 1);
    if (typeof next === "string") return Promise.resolve(next);
    setCount(next);
    return Promise.resolve(null);
  }
  function pickTape(unit: "in" | "mm") {
    const next: TapeName = unit === "in" ? "1/16 in" : "1 mm";
    localStorage.setItem(KEY, next);
    setTape(next);
  }

  const design = start.data;
  return (
    <div className="mx-auto max-w-[84rem] px-5 pb-10">
      <title>New rack | Yardcliff</title>
      <header className="flex items-center gap-3 border-b-2 border-ink py-3">
        <Link to="/" className="text-act underline decoration-dotted underline-offset-3">
          Racks
        </Link>
        <h1 className="flex-1 text-[1.7rem]">What hangs here?</h1>
        <Switch
          label="Unit"
          value={tape.endsWith("in") ? "in" : "mm"}
          options={[
            { value: "mm", label: "mm" },
            { value: "in", label: "inch" },
          ]}
          onPick={pickTape}
        />
      </header>
      <main>
        {catalogue.error && (
          <p role="alert" className="my-6 border border-care bg-care-bg p-3 text-care">
            {catalogue.error.message}
          </p>
        )}
        <div
          role="radiogroup"
          aria-label="What hangs here"
          className="mt-6 flex flex-wrap items-stretch justify-center gap-x-1 border-t-[5px] border-wood"
        >
          {items.map((one) => (
            <Choice
              key={one.key}
              item={one}
              scale={scale}
              chosen={one.key === item}
              onPick={() => setItem(one.key)}
            />
          ))}
        </div>
        {chosen && (
          <div className="mt-5 flex flex-wrap items-center justify-center gap-3 text-[1.15rem]">
            <Button aria-label="One fewer" onClick={() => setCount(Math.max(1, count - 1))}>
              −
            </Button>
            <Field
              label="How many"
              labelHidden
              value={String(count)}
              onCommit={commitCount}
              onStep={(by) => setCount(Math.max(1, count + by))}
              boxed
            />
            <Button aria-label="One more" onClick={() => setCount(count + 1)}>
              +
            </Button>
            <span>{count === 1 ? chosen.name : chosen.plural}</span>
            <Button
              look="act"
              className="min-h-9 px-4"
              disabled={make.isPending}
              onClick={() => make.mutate()}
            >
              Draw this rack
            </Button>
          </div>
        )}
        {make.error && (
          <p role="alert" className="mt-3 text-center text-stop">
            {make.error.message}
          </p>
        )}
        <div className="mt-6 flex min-h-[17rem] flex-col items-center justify-start gap-2" aria-live="polite">
          {chosen && design ? (
            <>
              <RackDrawing
                scene={design.scene}
                scale={Math.min(
                  PREVIEW.width / (design.scene.extent.x1 - design.scene.extent.x0),
                  PREVIEW.height / (design.scene.extent.y1 - design.scene.extent.y0),
                )}
              />
              <p className="hand text-soft">
                board <Measure text={design.fields["row.length"] ?? ""} />, {design.holders} at{" "}
                <Measure text={design.fields["row.pitch"] ?? ""} />. Everything can be changed next.
              </p>
            </>
          ) : (
            <p className="pt-10 text-soft">
              Pick what hangs; sizes are typical ones, and yours are asked next.
            </p>
          )}
        </div>
      </main>
    </div>
  );
}

interface ChoiceProps {
  item: ItemChoice;
  scale: number;
  chosen: boolean;
  onPick: () => void;
}

function Choice({ item, scale, chosen, onPick }: ChoiceProps) {
  return (
    <button
      type="button"
      role="radio"
      aria-checked={chosen}
      className="flex min-w-21 flex-col items-center justify-between gap-2 rounded-b-[4px] px-2 pt-1 pb-2 border-b-4 border-transparent hover:bg-sheet aria-checked:border-act aria-checked:bg-sheet aria-checked:font-semibold"
      onClick={onPick}
    >
      <RackDrawing scene={item.scene} scale={scale} pad={3} />
      <span className="hand max-w-24 text-center text-[0.87rem] leading-tight">{item.plural}</span>
    </button>
  );
}
