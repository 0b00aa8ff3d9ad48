import type { ComponentProps } from "react";

const LOOKS = {
  plain: "border border-rule bg-sheet text-ink hover:border-ink",
  act: "border border-act bg-act text-on-act hover:opacity-90",
  bare: "border border-transparent text-ink hover:bg-note-bg",
};

type Props = ComponentProps<"button"> & { look?: keyof typeof LOOKS };

/** Every push button, at least 28 px high; 40 px on a touch screen. */
export function Button({ look = "plain", className = "", ...rest }: Props) {
  return (
    <button
      type="button"
      className={`inline-flex min-h-7 items-center justify-center gap-1.5 rounded-[3px] px-2 text-[0.93rem]
        disabled:opacity-40 pointer-coarse:min-h-10 ${LOOKS[look]} ${className}`}
      {...rest}
    />
  );
}
