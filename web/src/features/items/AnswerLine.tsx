import { useEffect, useId, useRef, type FormEvent } from "react";

import type { Answered, ItemChoice, NotListed } from "../../api/types";
import { Button } from "../../ui/Button";
import { MOST_TEXT } from "./useFound";
import { t } from "../../messages";

interface Props {
  words: string;
  found: Answered | null;
  items: readonly ItemChoice[];
  onWords: (words: string) => void;
  onSay: () => unknown;
  /** Asks for a thing that is in no list to be measured. */
  onMeasure: (thing: NotListed) => void;
}

/** What hangs and on what width, said in one line; it is read as it is typed, and taken by Enter. */
export function AnswerLine({ words, found, items, onWords, onSay, onMeasure }: Props) {
  const id = useId();
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (matchMedia("(pointer: fine)").matches) field.current?.focus();
  }, []);
  const nameOf = (key: string, count: number | null) => {
    const item = items.find((one) => one.key === key);
    return count === 1 ? `1 ${item?.name}` : `${count ?? ""} ${item?.plural}`.trim();
  };
  const read = [
    ...(found?.hangs ?? []).map(({ item, count }) => nameOf(item, count)),
    ...(found?.width ? [t("racks.on-a-place-so-wide", { width: found.width })] : []),
  ].join(", ");
  const [unknown] = found?.unknown ?? [];
  const [unread] = found?.unread ?? [];

  const length = words.trim().length;
  const tooLong = length > MOST_TEXT;

  function onSubmit(event: FormEvent) {
    event.preventDefault();
    if (!tooLong) void onSay();
  }
  return (
    <form onSubmit={onSubmit} className="pt-4 pb-2">
      <label htmlFor={id} className="block text-soft">
        {t("racks.say-it-or-press-it-below")}
      </label>
      <div className="mt-1 flex gap-2">
        <input
          id={id}
          ref={field}
          type="text"
          enterKeyHint="done"
          value={words}
          onChange={(event) => onWords(event.target.value)}
          placeholder={t("racks.seven-coats-on-a-width")}
          autoComplete="off"
          aria-invalid={tooLong}
          aria-describedby={`${id}-read`}
          className="hand min-h-10 min-w-0 flex-1 rounded-[3px] border-2 border-ink bg-sheet px-3 text-lead pointer-coarse:min-h-touch"
        />
        <Button type="submit" className="px-4 pointer-coarse:min-h-touch">
          {t("racks.hang-them-up")}
        </Button>
      </div>
      <p id={`${id}-read`} role="status" className="mt-1 min-h-6 text-plain">
        {read && <span className="text-soft">{t("racks.read-as", { read })} </span>}
        {tooLong && <span className="text-stop">{t("racks.too-long-to-read", { length, MOST_TEXT })}</span>}
        {unread && (
          <span className="text-stop">
            {t("racks.cannot-be-read", { unread, example: t("racks.seven-coats-on-a-width") })}{" "}
          </span>
        )}
        {unknown && (
          <>
            <span>{t("racks.is-not-in-the-list", { unknown: unknown.name })} </span>
            <Button onClick={() => onMeasure(unknown)}>{t("racks.make-it-from-three-measures")}</Button>
          </>
        )}
      </p>
    </form>
  );
}
