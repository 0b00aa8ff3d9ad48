import { useRef, useState, type ComponentProps, type MouseEvent } from "react";

const LOOKS = {
  plain: "border border-edge bg-sheet text-ink hover:border-ink",
  act: "border border-act bg-act text-on-act hover:opacity-90",
  bare: "border border-transparent text-ink hover:bg-note-bg",
};

/** What went wrong was told where the write is made: the button only waits for it. */
export const told = () => undefined;

type Props = Omit<ComponentProps<"button">, "onClick"> & {
  look?: keyof typeof LOOKS;
  /** What answers later keeps the button busy until then: a second press does nothing. */
  onClick?: (event: MouseEvent<HTMLButtonElement>) => unknown;
};

/** Every push button, at least 28 px high; 40 px on a touch screen. */
export function Button({ look = "plain", className = "", onClick, ...rest }: Props) {
  const [busy, setBusy] = useState(false);
  const running = useRef(false); // a second press may come before the button is drawn busy

  async function press(event: MouseEvent<HTMLButtonElement>) {
    if (running.current) return event.preventDefault();
    const answer = onClick?.(event);
    if (!(answer instanceof Promise)) return;
    running.current = true;
    setBusy(true);
    try {
      await answer;
    } finally {
      running.current = false;
      setBusy(false);
    }
  }
  return (
    <button
      type="button"
      className={`inline-flex min-h-7 items-center justify-center gap-1.5 rounded-[3px] px-2 text-plain
        disabled:opacity-40 aria-busy:cursor-progress aria-busy:opacity-60 pointer-coarse:min-h-touch ${LOOKS[look]} ${className}`}
      {...rest}
      onClick={(event) => void press(event)}
      // Not disabled: the focus would be lost.
      {...(busy && { "aria-busy": true, "aria-disabled": true })}
    />
  );
}
