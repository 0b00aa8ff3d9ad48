import { useId, useState } from "react";

import type { ItemChoice } from "../../api/types";
import { Shelf } from "./Shelf";
import { useFound } from "./useFound";
import { t } from "../../messages";

interface Props {
  items: readonly ItemChoice[];
  groups: readonly string[];
  onPick: (item: ItemChoice) => void;
}

/** The shelf, looked through by any name that a thing goes by. */
export function FoundShelf({ items, groups, onPick }: Props) {
  const id = useId();
  const [words, setWords] = useState("");
  const found = useFound(words);
  return (
    <>
      <div className="my-3 flex flex-wrap items-center gap-2">
        <label htmlFor={id} className="text-soft">
          {t("items.find")}
        </label>
        <input
          id={id}
          type="search"
          value={words}
          onChange={(event) => setWords(event.target.value)}
          placeholder={t("items.mug-coat-tools")}
          className="hand min-h-8 w-64 rounded-[3px] border border-edge bg-paper px-2 pointer-coarse:min-h-touch"
        />
        <span role="status" className="text-small text-soft">
          {found?.found.length === 0 ? t("items.nothing-called-try-another-word-or", { words }) : ""}
        </span>
      </div>
      <Shelf items={items} groups={groups} found={found} onPick={onPick} />
    </>
  );
}
