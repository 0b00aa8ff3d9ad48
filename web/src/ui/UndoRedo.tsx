import { useQuery } from "@tanstack/react-query";
import * as DropdownMenu from "radix-ui/dropdown-menu";
import { useState } from "react";

import type { Done } from "../api/types";
import { Button } from "./Button";
import { Measure } from "./Measure";
import { t } from "../messages";

interface Props {
  /** What each would do, or nothing where there is nothing to. */
  undo: string | null;
  redo: string | null;
  /** All that can be taken back or brought again, the newest first. */
  history: () => Promise<Done[]>;
  onUndo: (steps?: number) => void;
  onRedo: (steps?: number) => void;
}

/** What was done last to a sheet, to be taken back and brought again: by one, or along the list of all. */
export function UndoRedo({ undo, redo, history, onUndo, onRedo }: Props) {
  return (
    <span className="flex items-center">
      <Button
        look="bare"
        disabled={!undo}
        onClick={() => onUndo()}
        title={undo ? t("ui.take-back", { undo }) : undefined}
      >
        {t("ui.undo")}
      </Button>
      <Button
        look="bare"
        disabled={!redo}
        onClick={() => onRedo()}
        title={redo ? t("ui.again", { redo }) : undefined}
      >
        {t("ui.redo")}
      </Button>
      {(undo ?? redo) && <History history={history} onUndo={onUndo} onRedo={onRedo} />}
    </span>
  );
}

function History({ history, onUndo, onRedo }: Pick<Props, "history" | "onUndo" | "onRedo">) {
  const [open, setOpen] = useState(false);
  return (
    <DropdownMenu.Root modal={false} open={open} onOpenChange={setOpen}>
      <DropdownMenu.Trigger asChild>
        <Button look="bare" aria-label={t("ui.what-was-done")} className="text-fine text-soft">
          ▼
        </Button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Content
        align="end"
        sideOffset={3}
        collisionPadding={6}
        className="z-50 max-h-[min(70vh,var(--radix-dropdown-menu-content-available-height))] w-80 max-w-[94vw] overflow-auto border border-ink bg-sheet py-1"
      >
        {open && <Steps history={history} onUndo={onUndo} onRedo={onRedo} />}
      </DropdownMenu.Content>
    </DropdownMenu.Root>
  );
}

function Steps({ history, onUndo, onRedo }: Pick<Props, "history" | "onUndo" | "onRedo">) {
  const { data, error } = useQuery({ queryKey: ["history"], queryFn: history, gcTime: 0, staleTime: 0 });
  if (error) return <p className="px-3 py-1 text-stop">{error.message}</p>;
  const now = data?.findIndex(({ steps }) => steps < 0) ?? -1;
  return (
    <>
      <DropdownMenu.Label className="px-3 py-1 text-small text-soft">
        {t("ui.go-back-to-before")}
      </DropdownMenu.Label>
      {data?.map(({ label, made_at, steps }, index) => (
        <DropdownMenu.Item
          key={made_at + String(index)}
          onSelect={() => (steps < 0 ? onUndo(-steps) : onRedo(steps))}
          className={`cursor-pointer px-3 py-1.5 outline-none data-highlighted:bg-act data-highlighted:text-on-act pointer-coarse:py-2.5
            ${steps > 0 ? "text-soft" : ""} ${index === now && index > 0 ? "border-t border-ink" : ""}`}
        >
          {steps > 0 && <span className="text-fine">{t("ui.taken-back")} </span>}
          <Measure text={label} />
        </DropdownMenu.Item>
      ))}
    </>
  );
}
