const TOUCH = 44;

/** Where a finger may meet a small figure at (x, y), px: under all figures, so that each keeps its own place. */
export function FingerTarget({ x, y, onOpen }: { x: number; y: number; onOpen?: () => void }) {
  if (!onOpen) return null;
  return (
    <rect
      aria-hidden
      data-finger
      className="hidden fill-transparent pointer-coarse:block"
      x={x - TOUCH / 2}
      y={y - TOUCH / 2}
      width={TOUCH}
      height={TOUCH}
      onClick={onOpen}
    />
  );
}
