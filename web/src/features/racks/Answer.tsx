import type { Hang, ItemChoice } from "../../api/types";
import { Button } from "../../ui/Button";
import { readCount } from "../../ui/count";
import { Field } from "../../ui/Field";
import { t } from "../../messages";

export const USUAL = 5;
const MOST = 1000;

interface Props {
  hangs: Hang[];
  items: ItemChoice[];
  onCount: (key: string, count: number) => void;
  onLeave: (key: string) => void;
}

/** The answer so far, as lines that can be read aloud: 5 waxed jackets, 2 felt hats. */
export function Answer({ hangs, items, onCount, onLeave }: Props) {
  return (
    <ul className="flex flex-wrap gap-x-6 gap-y-1.5 pt-3 text-lead lg:pt-0">
      {hangs.map(({ item: key, count = USUAL }) => {
        const item = items.find((one) => one.key === key);
        if (!item) return null;
        return (
          <li key={key} className="flex items-center gap-1.5">
            <Button
              aria-label={t("racks.one-fewer", { name: item.name })}
              onClick={() => (count > 1 ? onCount(key, count - 1) : onLeave(key))}
            >
              −
            </Button>
            <Field
              name={key}
              label={t("racks.how-many", { plural: item.plural })}
              labelHidden
              value={String(count)}
              onCommit={(text) => {
                const next = readCount(text, 1);
                if (typeof next === "string") return Promise.resolve(next);
                onCount(key, next);
                return Promise.resolve(null);
              }}
              onStep={(by) => onCount(key, Math.min(MOST, Math.max(1, count + by)))}
              boxed
            />
            <Button
              aria-label={t("racks.one-more", { name: item.name })}
              onClick={() => onCount(key, Math.min(MOST, count + 1))}
            >
              +
            </Button>
            <span>{count === 1 ? item.name : item.plural}</span>
          </li>
        );
      })}
    </ul>
  );
}
