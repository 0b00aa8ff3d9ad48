import * as ToggleGroup from "radix-ui/toggle-group";

interface Props<T extends string> {
  label: string;
  value: T;
  options: readonly { value: T; label: string; hint?: string }[];
  onPick: (value: T) => void;
}

/** A few short choices side by side, one of them taken. */
export function Switch<T extends string>({ label, value, options, onPick }: Props<T>) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      value={value}
      onValueChange={(next) => {
        const picked = options.find((option) => option.value === next);
        if (picked) onPick(picked.value);
      }}
      className="inline-flex rounded-[3px] border border-edge"
    >
      {options.map((option) => (
        <ToggleGroup.Item
          key={option.value}
          value={option.value}
          title={option.hint}
          className="hand min-h-6.5 px-2 text-small text-soft hover:text-ink data-[state=on]:bg-ink
            data-[state=on]:text-paper pointer-coarse:min-h-touch"
        >
          {option.label}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
