import { Button } from "../../ui/Button";
import { Field } from "../../ui/Field";
import { Pick } from "../../ui/Pick";
import { kindAtPatch, MAIN, movePatch, pinPatch } from "./patches";
import { useSession, useShown, useSides } from "./shown";
import { t } from "../../messages";

/** What can be done with one place: another thing there, another place for it, a pin. */
export function PlaceControls({ index }: { index: number }) {
  const session = useSession();
  const { apply, change } = session;
  const text = useShown((shown) => shown.design.marks.text[index]);
  const pinned = useShown((shown) => shown.design.marks.pinned.includes(index));
  const [start, end] = useSides();
  const things = useShown((shown) => shown.design.things);
  const brief = useShown((shown) => shown.design.brief);
  const place = things.holder.findLastIndex((holder) => holder <= index);
  const kind = things.kind[place];
  if (text === undefined || kind === undefined) return null;
  const kinds = [{ value: MAIN, label: brief.item.name }].concat(
    Object.entries(brief.others).map(([value, { name }]) => ({ value, label: name })),
  );
  const move = (by: 1 | -1) => apply((design) => movePatch(design, place, place + by));
  return (
    <div className="mt-1.5 border-t border-rule pt-1.5">
      {kinds.length > 1 && (
        <div className="flex items-center gap-1">
          <span className="text-soft">{t("rack.hangs-here")}</span>
          <Pick
            label={t("rack.hangs-here-2")}
            value={kind}
            options={kinds}
            onPick={(kind) => apply((design) => kindAtPatch(design, place, kind))}
            className="flex-1"
          />
          <Button
            look="bare"
            aria-label={t("rack.one-place-to-the", { start })}
            disabled={place === 0}
            onClick={() => move(-1)}
          >
            ←
          </Button>
          <Button
            look="bare"
            aria-label={t("rack.one-place-to-the-2", { end })}
            disabled={place === things.kind.length - 1}
            onClick={() => move(1)}
          >
            →
          </Button>
        </div>
      )}
      <div className="flex items-center gap-2">
        <Field
          name={`pin.${index}`}
          label={pinned ? t("rack.pinned-at") : t("rack.pin-at")}
          value={text}
          wide
          className="flex-1"
          onCommit={(text) => change((design) => pinPatch(design, index, text))}
        />
        {pinned && (
          <Button onClick={() => apply((design) => pinPatch(design, index))}>{t("rack.let-go")}</Button>
        )}
      </div>
    </div>
  );
}
