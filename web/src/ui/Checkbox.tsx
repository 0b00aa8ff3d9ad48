import type { ReactNode } from "react";

interface Props {
  checked: boolean;
  onChange: (on: boolean) => void;
  /** What stands beside it. */
  children?: ReactNode;
  /** Its name, where nothing does. */
  label?: string;
  disabled?: boolean;
  className?: string;
}

/** A box to tick, with what it says beside it: 28 px high, 40 on a touch screen. */
export function Checkbox({ checked, onChange, children, label, disabled, className = "" }: Props) {
  const box = (
    <input
      type="checkbox"
      aria-label={label}
      className="size-4 shrink-0 translate-y-0.5 accent-(--act) pointer-coarse:size-6 pointer-coarse:translate-y-1"
      checked={checked}
      disabled={disabled}
      onChange={(event) => onChange(event.target.checked)}
    />
  );
  if (!children) return box;
  return (
    <label
      className={`flex min-h-7 cursor-pointer items-baseline gap-1.5 has-disabled:cursor-default has-disabled:opacity-60
        pointer-coarse:min-h-touch ${className}`}
    >
      {box}
      {children}
    </label>
  );
}
