import { useId } from "react";

interface Props {
  label: string;
  value: string;
  error?: string | undefined;
  placeholder?: string | undefined;
  onChange: (text: string) => void;
}

/** A line of a form that is sent as a whole; what could not be read stands under it. */
export function Input({ label, value, error, placeholder, onChange }: Props) {
  const id = useId();
  return (
    <div>
      <div className="flex items-baseline gap-2">
        <label htmlFor={id} className="shrink-0 text-soft">
          {label}
        </label>
        <input
          id={id}
          value={value}
          onChange={(event) => onChange(event.target.value)}
          aria-invalid={error !== undefined}
          aria-describedby={error ? `${id}-error` : undefined}
          placeholder={placeholder}
          autoComplete="off"
          className="hand min-h-8 min-w-0 flex-1 border-b border-edge bg-transparent px-1 text-right focus:bg-paper
            aria-invalid:border-stop aria-invalid:bg-stop-bg pointer-coarse:min-h-touch"
        />
      </div>
      {error && (
        <p id={`${id}-error`} role="alert" className="text-right text-small text-stop">
          {error}
        </p>
      )}
    </div>
  );
}
