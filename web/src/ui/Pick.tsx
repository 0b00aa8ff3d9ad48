import * as DropdownMenu from "radix-ui/dropdown-menu";
import type { ReactNode } from "react";

import { Measure } from "./Measure";

export interface Option<T extends string = string> {
  value: T;
  label: string;
  why?: string;
  icon?: ReactNode;
}

interface Props<T extends string> {
  label: string;
  value: T | "";
  options: readonly Option<T>[];
  onPick: (value: T) => void;
  shown?: string;
  className?: string;
}

/** One of several, each with the reason to take it. The page stays in use behind it. */
export function Pick<T extends string>({ label, value, options, onPick, shown, className = "" }: Props<T>) {
  const text = shown ?? options.find((option) => option.value === value)?.label ?? value;
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger
        aria-label={`${label}: ${text}`}
        className={`hand flex min-h-7 min-w-0 items-center justify-between gap-1 rounded-[3px] border border-transparent
          px-1 text-left text-plain hover:border-edge pointer-coarse:min-h-touch ${className}`}
      >
        <span className="truncate">
          <Measure text={text} />
        </span>
        <span aria-hidden className="inline-block scale-75 text-fine text-soft">
          ▼
        </span>
      </DropdownMenu.Trigger>
      {/* Not in a portal: it belongs to the landmark it was opened in. */}
      <DropdownMenu.Content
        align="start"
        sideOffset={3}
        collisionPadding={6}
        className="z-50 max-h-[min(70vh,var(--radix-dropdown-menu-content-available-height))] max-w-80 overflow-auto border border-ink bg-sheet py-1"
      >
        <DropdownMenu.RadioGroup
          value={value}
          onValueChange={(next) => {
            const picked = options.find((option) => option.value === next);
            if (picked) onPick(picked.value);
          }}
        >
          {options.map((option) => (
            <DropdownMenu.RadioItem
              key={option.value}
              value={option.value}
              className="cursor-pointer px-3 py-1.5 outline-none data-highlighted:bg-act data-highlighted:text-on-act
                data-[state=checked]:font-semibold pointer-coarse:py-2.5"
            >
              <span className="flex items-center gap-2">
                {option.icon}
                <Measure text={option.label} />
              </span>
              {option.why && <span className="block text-small font-normal opacity-90">{option.why}</span>}
            </DropdownMenu.RadioItem>
          ))}
        </DropdownMenu.RadioGroup>
      </DropdownMenu.Content>
    </DropdownMenu.Root>
  );
}
