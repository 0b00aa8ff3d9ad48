import { Select } from "radix-ui";
import type { ReactNode } from "react";

export interface Option {
  value: string;
  label: string;
  why?: string;
  icon?: ReactNode;
}

interface Props {
  label: string;
  value: string;
  options: Option[];
  onPick: (value: string) => void;
  shown?: string;
  className?: string;
}

const nonce = document.querySelector<HTMLMetaElement>("meta[name=csp-nonce]")?.content;

/** One of several, each with the reason to take it. */
export function Pick({ label, value, options, onPick, shown, className = "" }: Props) {
  return (
    <Select.Root value={value} onValueChange={onPick}>
      <Select.Trigger
        aria-label={label}
        className={`hand flex min-h-7 min-w-0 items-center justify-between gap-1 rounded-[3px] border border-transparent
          px-1 text-left text-[0.93rem] hover:border-rule pointer-coarse:min-h-10 ${className}`}
      >
        <span className="truncate">{shown ? shown : <Select.Value />}</span>
        <Select.Icon aria-hidden className="text-[0.6rem] text-soft">
          ▼
        </Select.Icon>
      </Select.Trigger>
      <Select.Portal>
        <Select.Content
          position="popper"
          sideOffset={3}
          className="z-50 max-h-[70vh] max-w-80 overflow-auto border border-ink bg-sheet py-1"
        >
          <Select.Viewport {...(nonce && { nonce })}>
            {options.map((option) => (
              <Select.Item
                key={option.value}
                value={option.value}
                className="cursor-pointer px-3 py-1.5 outline-none data-highlighted:bg-act data-highlighted:text-on-act
                  data-[state=checked]:font-semibold"
              >
                <span className="flex items-center gap-2">
                  {option.icon}
                  <Select.ItemText>{option.label}</Select.ItemText>
                </span>
                {option.why && (
                  <span className="block text-[0.84rem] font-normal opacity-85">{option.why}</span>
                )}
              </Select.Item>
            ))}
          </Select.Viewport>
        </Select.Content>
      </Select.Portal>
    </Select.Root>
  );
}
