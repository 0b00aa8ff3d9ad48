import { useId, useMemo, useState } from "react";

import type { ItemChoice } from "../../api/types";
import { RackDrawing } from "../../ui/RackDrawing";
import { t, word } from "../../messages";

interface Props {
  items: readonly ItemChoice[];
  groups: readonly string[];
  /** Keys of the things that are taken, if things are taken here. */
  chosen?: ReadonlySet<string>;
  onPick: (item: ItemChoice) => void;
}

const TALLEST = 104;
/** Pixels per mm at the most: a key is not drawn as large as a coat. */
const LARGEST = 0.55;
const OWN = t("items.your-own-as-measured");

/** Things hanging on rails by their group, each group at one scale; searched by name. */
export function Shelf({ items, groups, chosen, onPick }: Props) {
  const [words, setWords] = useState("");
  const id = useId();
  const shelves = useMemo(() => {
    const wanted = words.toLowerCase().split(/\s+/);
    const found = items.filter((item) =>
      wanted.every((word) => `${item.name} ${item.plural} ${item.group}`.toLowerCase().includes(word)),
    );
    const own = { name: OWN, items: found.filter((item) => item.own) };
    const typical = groups.map((name) => ({
      name,
      items: found.filter((item) => !item.own && item.group === name),
    }));
    return [own, ...typical].filter((shelf) => shelf.items.length > 0);
  }, [items, groups, words]);
  return (
    <>
      <div className="my-3 flex items-center gap-2">
        <label htmlFor={id} className="text-soft">
          {t("items.find")}
        </label>
        <input
          id={id}
          type="search"
          value={words}
          onChange={(event) => setWords(event.target.value)}
          placeholder={t("items.mug-coat-tools")}
          className="hand min-h-8 w-64 rounded-[3px] border border-rule bg-paper px-2 pointer-coarse:min-h-10"
        />
        <span role="status" className="text-small text-soft">
          {shelves.length === 0 ? t("items.nothing-called-try-another-word-or", { words }) : ""}
        </span>
      </div>
      <div className="flex flex-wrap items-stretch gap-x-5 gap-y-3">
        {shelves.map((shelf) => (
          <Rail key={shelf.name} {...shelf} onPick={onPick} {...(chosen && { chosen })} />
        ))}
      </div>
    </>
  );
}

interface RailProps {
  name: string;
  items: ItemChoice[];
  chosen?: ReadonlySet<string>;
  onPick: (item: ItemChoice) => void;
}

function Rail({ name, items, chosen, onPick }: RailProps) {
  const scale = Math.min(
    LARGEST,
    ...items.map(({ measures: { box } }) => TALLEST / Math.max(box.y1 - box.y0, box.x1 - box.x0)),
  );
  return (
    <section aria-label={word(name)} className="min-w-0 grow">
      <h2 className="text-small font-normal text-soft">{word(name)}</h2>
      <div className="flex flex-wrap items-stretch border-t-[5px] border-wood">
        {items.map((item) => (
          <button
            key={item.key}
            type="button"
            aria-pressed={chosen?.has(item.key)}
            className="flex min-w-18 flex-col items-center justify-between gap-1.5 rounded-b-[4px] border-b-4 border-transparent px-1.5 pb-1.5 hover:bg-sheet aria-pressed:border-act aria-pressed:bg-sheet aria-pressed:font-semibold"
            onClick={() => onPick(item)}
          >
            <RackDrawing scene={item.scene} scale={scale} pad={3} />
            <span className="hand max-w-24 text-center text-fine leading-tight">{item.plural}</span>
          </button>
        ))}
      </div>
    </section>
  );
}
