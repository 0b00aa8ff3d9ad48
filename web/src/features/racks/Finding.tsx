import type { RackListed } from "../../api/types";
import { Checkbox } from "../../ui/Checkbox";
import { type Order, tagsOf, type Wanted, type Which } from "./sorted";
import { t } from "../../messages";

const FIELD =
  "hand min-h-8 rounded-[3px] border border-edge bg-paper pointer-coarse:min-h-touch pointer-coarse:max-w-full";
const WHICH: [Which, string][] = [
  ["all", t("racks.all-of-them")],
  ["open", t("racks.not-done-yet")],
  ["done", t("racks.done")],
  ["favourite", t("racks.favourites")],
];
const ORDERS: [Order, string][] = [
  ["changed", t("racks.last-changed-first")],
  ["name", t("racks.by-name")],
];

interface Props {
  racks: readonly RackListed[];
  found: number;
  wanted: Wanted;
  onWanted: (part: Partial<Wanted>) => void;
}

/** Which of many racks are looked at, and in which order. */
export function Finding({ racks, found, wanted, onWanted }: Props) {
  const tags = tagsOf(racks);
  return (
    <div className="flex flex-wrap items-center gap-x-5 gap-y-2 py-2 text-plain">
      <label className="flex items-center gap-2">
        <span className="text-soft">{t("racks.find")}</span>
        <input
          type="search"
          value={wanted.words}
          onChange={(event) => onWanted({ words: event.target.value })}
          placeholder={t("racks.name-thing-or-wall")}
          className={`${FIELD} w-56 px-2`}
        />
      </label>
      <Choice
        label={t("racks.which-ones")}
        names={WHICH}
        value={wanted.which}
        onPick={(which) => onWanted({ which })}
      />
      <Choice
        label={t("racks.order")}
        names={ORDERS}
        value={wanted.order}
        onPick={(order) => onWanted({ order })}
      />
      <Checkbox checked={wanted.byWall} onChange={(byWall) => onWanted({ byWall })}>
        {t("racks.by-wall")}
      </Checkbox>
      {tags.length > 0 && (
        <span role="group" aria-label={t("racks.tags")} className="flex flex-wrap items-center gap-1.5">
          {tags.map(([tag, count]) => {
            const on = wanted.tags.includes(tag);
            return (
              <button
                key={tag}
                type="button"
                aria-pressed={on}
                onClick={() =>
                  onWanted({ tags: on ? wanted.tags.filter((one) => one !== tag) : [...wanted.tags, tag] })
                }
                className="chosen-frame hand min-h-7 rounded-[3px] border border-edge bg-sheet px-2 pointer-coarse:min-h-touch"
              >
                {tag} <span className="text-soft">{count}</span>
              </button>
            );
          })}
        </span>
      )}
      <span role="status" className="text-soft">
        {found < racks.length && t("racks.so-many-of", { found, all: racks.length })}
      </span>
    </div>
  );
}

interface ChoiceProps<T extends string> {
  label: string;
  names: readonly [T, string][];
  value: T;
  onPick: (value: T) => void;
}

/** One of a few, from the browser's own list: the page's would bring with it more than all of this page. */
function Choice<T extends string>({ label, names, value, onPick }: ChoiceProps<T>) {
  return (
    <select
      aria-label={label}
      value={value}
      onChange={(event) => {
        const picked = names[event.target.selectedIndex];
        if (picked) onPick(picked[0]);
      }}
      className={`${FIELD} px-1`}
    >
      {names.map(([key, name]) => (
        <option key={key} value={key}>
          {name}
        </option>
      ))}
    </select>
  );
}
