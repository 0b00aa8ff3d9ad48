import { Dialog } from "../../ui/Dialog";
import { useShown } from "./shown";
import { t } from "../../messages";

const keys = (holder: string): [string, string][] => [
  ["+  and  −", t("rack.one-holder-more-or-fewer", { holder })],
  ["← →", t("rack.on-holder-or-boards-end-one", { holder })],
  ["↑ ↓", t("rack.on-holder-one-beside-in-ladder", { holder })],
  ["← → ↑ ↓", t("rack.on-rack-on-its-wall-one")],
  ["Delete", t("rack.on-holder-let-go-its-pin", { holder })],
  ["Enter", t("rack.on-holder-or-mark-its-working", { holder })],
  ["F", t("rack.fit-rack-in-window")],
  ["W", t("rack.show-whole-wall-down-floor")],
  ["S", t("rack.section-from-side-back")],
  ["T", t("rack.hook-tape-on-other-end")],
  [t("rack.ctrl-z-ctrl-shift-z"), t("rack.undo-redo")],
  [t("rack.esc"), t("rack.close-slip-bring-back-what-field")],
  ["?", t("rack.this-sheet")],
];

export function Shortcuts({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  const holder = useShown((shown) => shown.design.holder);
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title={t("rack.keys")}>
      <dl className="grid grid-cols-[auto_1fr] gap-x-5 gap-y-1.5">
        {keys(holder).map(([pressed, does]) => (
          <div key={pressed} className="contents">
            <dt className="hand font-semibold whitespace-nowrap">{pressed}</dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-3 text-soft">{t("rack.lengths-read-as-people-write-them")}</p>
    </Dialog>
  );
}
