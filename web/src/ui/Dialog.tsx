import * as Radix from "radix-ui/dialog";
import { useRef, type ReactNode } from "react";
import { t } from "../messages";

interface Props {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  title: string;
  /** As wide as the page allows. */
  wide?: boolean;
  children: ReactNode;
}

/** A sheet laid over the page. */
export function Dialog({ open, onOpenChange, title, wide, children }: Props) {
  /** What had the focus before: it gets it back. */
  const opener = useRef<Element | null>(null);
  return (
    <Radix.Root open={open} onOpenChange={onOpenChange}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-ink/40" />
        <Radix.Content
          aria-describedby={undefined}
          onOpenAutoFocus={() => {
            opener.current = document.activeElement;
          }}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            if (opener.current instanceof HTMLElement) opener.current.focus();
          }}
          className={`fixed top-1/2 left-1/2 z-50 max-h-[88vh] -translate-1/2 overflow-auto border border-ink bg-sheet p-5
            ${wide ? "w-[min(62rem,94vw)]" : "w-[min(34rem,94vw)]"}`}
        >
          <div className="mb-3 flex items-baseline justify-between gap-4">
            <Radix.Title className="text-title">{title}</Radix.Title>
            <Radix.Close aria-label={t("ui.close")} className="px-2 text-2xl leading-none">
              ×
            </Radix.Close>
          </div>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
