import * as Popover from "radix-ui/popover";
import { useEffect, useRef, useState } from "react";

import { Button } from "../../ui/Button";
import { t } from "../../messages";

/** Where each stop is: elements of the page that say so. */
const STOPS = [
  ["drawing", t("help.tour-drawing")],
  ["tape", t("help.tour-tape")],
  ["choices", t("help.tour-choices")],
  ["fits", t("help.tour-fits")],
  ["stages", t("help.tour-stages")],
  ["print", t("help.tour-print")],
] as const;

interface Props {
  onLeave: () => void;
}

/** Six stops on the page itself; it stays in use beneath. */
export function Tour({ onLeave }: Props) {
  const [at, setAt] = useState(0);
  const [place, frame] = usePlace(STOPS[at]?.[0] ?? "drawing");
  const last = at === STOPS.length - 1;
  return (
    <Popover.Root open onOpenChange={(open) => !open && onLeave()}>
      <Popover.Anchor virtualRef={place} />
      <div
        aria-hidden
        className="pointer-events-none fixed z-40 outline-4 -outline-offset-2 outline-act outline-dashed"
        style={frame}
      />
      <Popover.Portal>
        <Popover.Content
          key={at}
          side="bottom"
          sideOffset={10}
          collisionPadding={10}
          aria-label={t("help.a-tour")}
          onInteractOutside={(event) => event.preventDefault()}
          className="z-50 w-[min(22rem,92vw)] border-2 border-ink bg-sheet p-3 shadow-[3px_3px_0_var(--ink)]"
        >
          <p className="text-small text-soft">{t("help.stop-of", { at: at + 1, all: STOPS.length })}</p>
          <p className="mt-1">{STOPS[at]?.[1]}</p>
          <div className="mt-3 flex gap-2">
            <Button onClick={onLeave}>{t("help.leave-the-tour")}</Button>
            <span className="flex-1" />
            {at > 0 && <Button onClick={() => setAt(at - 1)}>{t("help.back")}</Button>}
            <Button look="act" autoFocus onClick={() => (last ? onLeave() : setAt(at + 1))}>
              {last ? t("help.to-work") : t("help.next")}
            </Button>
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** Where a stop is on the screen, also after a scroll: for the popover, and for the frame about it. */
function usePlace(stop: string) {
  const place = useRef({ getBoundingClientRect: () => beside(find(stop)) });
  const [box, setBox] = useState(() => find(stop));
  useEffect(() => {
    place.current = { getBoundingClientRect: () => beside(find(stop)) };
    document.querySelector(`[data-stop="${stop}"]`)?.scrollIntoView({ block: "nearest" });
    const follow = () => setBox(find(stop));
    follow();
    window.addEventListener("scroll", follow, true);
    window.addEventListener("resize", follow);
    return () => {
      window.removeEventListener("scroll", follow, true);
      window.removeEventListener("resize", follow);
    };
  }, [stop]);
  return [place, { left: box.left, top: box.top, width: box.width, height: box.height }] as const;
}

/** What the popover stands beside: the middle of what is too large to stand beside. */
const beside = (box: DOMRect) =>
  box.height > innerHeight / 2 ? new DOMRect(box.left, box.top + box.height / 3, box.width, 0) : box;

/** What is seen of it. */
function find(stop: string): DOMRect {
  const box = document.querySelector(`[data-stop="${stop}"]`)?.getBoundingClientRect() ?? new DOMRect();
  const right = Math.min(box.right, innerWidth);
  const bottom = Math.min(box.bottom, innerHeight);
  const left = Math.max(box.left, 0);
  const top = Math.max(box.top, 0);
  return new DOMRect(left, top, Math.max(right - left, 0), Math.max(bottom - top, 0));
}
