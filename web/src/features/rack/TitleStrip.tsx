import * as DropdownMenu from "radix-ui/dropdown-menu";
import { useState } from "react";
import { Link } from "react-router";

import { api, fileUrl, type Paper } from "../../api/client";
import type { TapeName } from "../../api/types";
import { useSettings } from "../../api/useSettings";
import { Button } from "../../ui/Button";
import { NameField } from "../../ui/NameField";
import { Pick } from "../../ui/Pick";
import { ThemeButton } from "../../ui/ThemeButton";
import { MeasuresPick } from "../../ui/MeasuresPick";
import { STEPS } from "../../ui/measures";
import { UndoRedo } from "../../ui/UndoRedo";
import { MarkingAids } from "./MarkingAids";
import { useSession, useShown } from "./shown";
import { t } from "../../messages";

const STANDING = {
  saved: "saved",
  saving: "saving…",
  offline: t("rack.not-saved-yet"),
  stale: t("rack.changed-elsewhere"),
};
const PAPERS: [Paper, string][] = [
  ["a4", "A4"],
  ["letter", t("rack.letter")],
];

/** The sheet's title: name, what can be taken back, the tape in hand, and paper. */
export function TitleStrip({ onHelp }: { onHelp: () => void }) {
  const session = useSession();
  const rack = useShown((shown) => shown.rack);
  const standing = useShown((shown) => shown.standing);
  const waiting = useShown((shown) => shown.waiting);
  const { unit, name } = rack.design.tape;
  const tape = (next: TapeName) => session.apply({ tape: next });
  return (
    <header className="no-print flex flex-wrap items-center gap-x-2 gap-y-1 border-b-2 border-ink bg-sheet px-3 py-1.5">
      <Link to="/" className="act-link">
        {t("rack.racks")}
      </Link>
      <span aria-hidden className="text-rule">
        /
      </span>
      <NameField
        label={t("rack.name-of-the-rack")}
        what="rack"
        id={rack.id}
        name={rack.name}
        onRename={session.rename}
      />
      <span
        role="status"
        className={`text-small ${standing === "saved" ? "text-soft" : "font-semibold text-care"}`}
      >
        {standing === "offline" && waiting > 0 ? t("rack.not-saved-yet-2", { waiting }) : STANDING[standing]}
      </span>
      <span className="flex-1" />
      <UndoRedo
        undo={rack.undo}
        redo={rack.redo}
        history={() => api.history(rack.id)}
        onUndo={session.undo}
        onRedo={session.redo}
      />
      <MeasuresPick
        trade={rack.design.brief.trade}
        tape={name}
        onPick={(measures) => session.apply(measures)}
      />
      <Pick
        label={t("rack.tape-step")}
        value={name}
        options={STEPS[unit].map((step: TapeName) => ({ value: step, label: step }))}
        onPick={tape}
      />
      <Link to={`/racks/${rack.id}/versions`} className="px-1 act-link">
        {t("rack.versions")}
      </Link>
      <PaperMenu id={rack.id} walled={rack.design.on_wall !== null} />
      <ThemeButton />
      <Button
        look="bare"
        aria-label={t("rack.keys-and-shortcuts")}
        className="max-md:hidden"
        onClick={onHelp}
      >
        ?
      </Button>
    </header>
  );
}

const ITEM =
  "block cursor-pointer px-3 py-1.5 outline-none data-highlighted:bg-act data-highlighted:text-on-act";

function PaperMenu({ id, walled }: { id: string; walled: boolean }) {
  const { data: settings } = useSettings();
  const [asked, setPaper] = useState<Paper | null>(null);
  const paper = asked ?? settings?.paper ?? "a4";
  const [aids, setAids] = useState(false);
  return (
    <>
      {aids && <MarkingAids paper={paper} onClose={() => setAids(false)} />}
      <DropdownMenu.Root modal={false}>
        <DropdownMenu.Trigger asChild>
          <Button look="act" data-stop="print">
            {t("rack.paper-and-files")}
          </Button>
        </DropdownMenu.Trigger>
        <DropdownMenu.Content
          align="end"
          sideOffset={4}
          className="z-50 w-72 border border-ink bg-sheet py-1"
        >
          <DropdownMenu.RadioGroup
            value={paper}
            onValueChange={(next) => setPaper(next === "letter" ? next : "a4")}
            className="flex items-center gap-3 px-3 py-1"
          >
            <span className="text-small text-soft">{t("rack.sheet-size")}</span>
            {PAPERS.map(([key, label]) => (
              <DropdownMenu.RadioItem
                key={key}
                value={key}
                onSelect={(event) => event.preventDefault()}
                className="cursor-pointer border border-rule px-2 outline-none data-highlighted:border-act data-[state=checked]:bg-ink data-[state=checked]:text-paper"
              >
                {label}
              </DropdownMenu.RadioItem>
            ))}
          </DropdownMenu.RadioGroup>
          <DropdownMenu.Item asChild className={ITEM}>
            <a href={fileUrl(id, "template.pdf", paper)} target="_blank" rel="noreferrer">
              {t("rack.marking-template-true-size")}
              <span className="block text-small opacity-85">{t("rack.lay-on-board-prick-through")}</span>
            </a>
          </DropdownMenu.Item>
          <DropdownMenu.Item asChild className={ITEM}>
            <a href={fileUrl(id, "sheet.pdf", paper)} target="_blank" rel="noreferrer">
              {t("rack.shop-sheet")}
              <span className="block text-small opacity-85">
                {t("rack.drawing-marks-drilling-cautions-on-one")}
              </span>
            </a>
          </DropdownMenu.Item>
          {walled && (
            <>
              <DropdownMenu.Item asChild className={ITEM}>
                <a href={fileUrl(id, "putting-up.pdf", paper)} target="_blank" rel="noreferrer">
                  {t("rack.putting-it-up")}
                  <span className="block text-small opacity-85">
                    {t("rack.wall-holes-order-hands-on-one")}
                  </span>
                </a>
              </DropdownMenu.Item>
              <DropdownMenu.Item asChild className={ITEM}>
                <a href={fileUrl(id, "wall-template.pdf", paper)} target="_blank" rel="noreferrer">
                  {t("rack.wall-template-true-size")}
                  <span className="block text-small opacity-85">
                    {t("rack.tape-wall-level-drill-through")}
                  </span>
                </a>
              </DropdownMenu.Item>
            </>
          )}
          <DropdownMenu.Item className={ITEM} onSelect={() => setAids(true)}>
            {t("rack.sticks-jigs-and-lengths-2")}
            <span className="block text-small opacity-85">{t("rack.aids-for-marking-out-for-making")}</span>
          </DropdownMenu.Item>
          <DropdownMenu.Separator className="my-1 border-t border-rule" />
          {(
            [
              ["drawing.svg", t("rack.drawing-as-svg")],
              ["marks.csv", t("rack.marks-as-csv")],
              ["holes.csv", t("rack.holes-as-csv")],
              ["rack.json", t("rack.this-rack-as-a-file")],
            ] as const
          ).map(([kind, label]) => (
            <DropdownMenu.Item key={kind} asChild className={ITEM}>
              <a href={fileUrl(id, kind)} download>
                {label}
              </a>
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Root>
    </>
  );
}
