import { useMemo } from "react";

import type { Answered, ItemChoice } from "../../api/types";
import { RackDrawing } from "../../ui/RackDrawing";
import { t, word } from "../../messages";

interface Props {
  items: readonly ItemChoice[];
  groups: readonly string[];
  /** What is looked for; everything where that is nothing. */
  found: Answered | null;
  /** Keys of the things that are taken, if things are taken here. */
  chosen?: ReadonlySet<string>;
  onPick: (item: ItemChoice) => void;
}

const TALLEST = 104;
/** Pixels per mm at the most: a key is not drawn as large as a coat. */
const LARGEST = 0.55;
const OWN = t("items.your-own-as-measured");

/** Things hanging on rails by their group, each group at one scale. */
export function Shelf({ items, groups, found, chosen, onPick }: Props) {
  const shelves = useMemo(() => {
    const keys = found && new Set(found.found);
    const wanted = keys ? items.filter(({ key }) => keys.has(key)) : items;
    const own = { name: OWN, items: wanted.filter((item) => item.own) };
    const typical = groups.map((name) => ({
      name,
      items: wanted.filter((item) => !item.own && item.group === name),
    }));
    return [own, ...typical].filter((shelf) => shelf.items.length > 0);
  }, [items, groups, found]);
  return (
    <div className="flex flex-wrap items-stretch gap-x-5 gap-y-3">
      {shelves.map((shelf) => (
        <Rail key={shelf.name} {...shelf} onPick={onPick} {...(chosen && { chosen })} />
      ))}
    </div>
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
