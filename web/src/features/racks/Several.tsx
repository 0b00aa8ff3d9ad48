import { useQuery } from "@tanstack/react-query";
import { useEffect, useId, useState } from "react";
import { Link } from "react-router";

import { api, severalUrl } from "../../api/client";
import type { RackListed } from "../../api/types";
import { useSettings } from "../../api/useSettings";
import { Button } from "../../ui/Button";
import { Pick } from "../../ui/Pick";
import { useSay } from "../../ui/Toasts";
import { tagsOf } from "./sorted";
import type { RackWrites } from "./useRackWrites";
import { t } from "../../messages";

const ON_PAPER = [
  { value: "template.pdf", label: t("racks.templates-true-size") },
  { value: "sheet.pdf", label: t("racks.shop-sheets") },
];
/** There are none for what is on no wall. */
const PUTTING_UP = { value: "putting-up.pdf", label: t("racks.sheets-for-putting-up") };
const NOWHERE = "";
const LONGEST_TAG = 24;
const DROP = "border-edge bg-sheet";

interface Props {
  chosen: readonly RackListed[];
  racks: readonly RackListed[];
  writes: RackWrites;
  onAll: () => void;
  onNone: () => void;
}

/** What can be done with the racks that are chosen: it stands at the foot of the window while there are any. */
export default function Several({ chosen, racks, writes, onAll, onNone }: Props) {
  const walls = useQuery({ queryKey: ["walls"], queryFn: api.walls }).data ?? [];
  const paper = useSettings().data?.paper;
  const ids = chosen.map(({ id }) => id);
  const onWall = (picked: string) => writes.hang(chosen, walls.find(({ id }) => id === picked) ?? null);
  const favourites = chosen.every(({ filed }) => filed.favourite);
  const hung = chosen.every(({ wall }) => wall !== null);
  const done = chosen.every(({ filed }) => filed.done);
  // Said at the root, not looked for by `:has`: that would be looked for again at each change of any page.
  useEffect(() => {
    const root = document.documentElement;
    root.toggleAttribute("data-foot", true);
    return () => void root.toggleAttribute("data-foot", false);
  }, []);
  return (
    <section
      aria-label={t("racks.the-chosen-racks")}
      className="sticky bottom-0 z-30 -mx-5 flex flex-wrap items-center gap-x-2 gap-y-1.5 border-t-2 border-ink bg-sheet px-5 py-2"
    >
      <span role="status" className="hand text-lead">
        {t("racks.so-many-chosen", { n: chosen.length })}
      </span>
      <Button look="bare" onClick={onAll}>
        {t("racks.choose-all-shown")}
      </Button>
      <Button look="bare" onClick={onNone}>
        {t("racks.choose-none")}
      </Button>
      <Pick
        label={t("racks.put-on-a-wall")}
        value="none"
        shown={t("racks.put-on-a-wall")}
        options={[
          ...walls.map(({ id, name }) => ({ value: id, label: name })),
          { value: NOWHERE, label: t("racks.on-no-wall") },
        ]}
        onPick={(picked) => void onWall(picked)}
        className={DROP}
      />
      <Tags chosen={chosen} racks={racks} writes={writes} />
      <Button onClick={() => writes.favour(chosen, !favourites)}>
        {favourites ? t("racks.no-favourite") : t("racks.favourite")}
      </Button>
      <Button onClick={() => writes.finish(chosen, !done)}>
        {done ? t("racks.not-done") : t("racks.done")}
      </Button>
      <Pick
        label={t("racks.print")}
        value="none"
        shown={t("racks.print")}
        options={hung ? [...ON_PAPER, PUTTING_UP] : ON_PAPER}
        onPick={(kind) => window.open(severalUrl(`print/${kind}`, ids, paper), "_blank", "noreferrer")}
        className={DROP}
      />
      <a href={severalUrl("rack-files.zip", ids)} download className="act-link px-1">
        {t("racks.save-as-files")}
      </a>
      <Link
        to={`/timber/together?${new URLSearchParams(ids.map((id) => ["cut", `${id}~1~`])).toString()}`}
        className="act-link px-1"
      >
        {t("racks.cut-together")}
      </Link>
      <Button onClick={() => writes.bin(chosen).then(onNone)}>{t("racks.bin")}</Button>
    </section>
  );
}

/** The tags that the chosen are kept by: one more is typed, one is taken off by a press. */
function Tags({ chosen, racks, writes }: Omit<Props, "onAll" | "onNone">) {
  const say = useSay();
  const [text, setText] = useState("");
  const known = useId();
  const all = tagsOf(racks).map(([tag]) => tag);
  function add() {
    const typed = text.trim();
    if (!typed) return;
    // One that differs by capitals alone is the same.
    const tag = all.find((one) => one.toLowerCase() === typed.toLowerCase()) ?? typed;
    if (tag.length > LONGEST_TAG) return say(t("racks.tag-is-too-long", { tag, most: LONGEST_TAG }));
    setText("");
    void writes.tag(chosen, tag);
  }
  return (
    <form
      className="flex flex-wrap items-center gap-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      {tagsOf(chosen).map(([tag]) => (
        <Button
          key={tag}
          aria-label={t("racks.take-the-tag-off", { tag })}
          onClick={() => writes.untag(chosen, tag)}
        >
          {tag} <span aria-hidden>×</span>
        </Button>
      ))}
      <input
        list={known}
        value={text}
        onChange={(event) => setText(event.target.value)}
        aria-label={t("racks.add-a-tag")}
        placeholder={t("racks.add-a-tag")}
        className="hand min-h-7 w-32 rounded-[3px] border border-edge bg-paper px-2 pointer-coarse:min-h-touch"
      />
      <datalist id={known}>
        {all.map((tag) => (
          <option key={tag} value={tag} />
        ))}
      </datalist>
    </form>
  );
}
