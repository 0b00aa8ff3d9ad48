import { useState } from "react";

import { Button } from "../../ui/Button";
import { t } from "../../messages";

const ASKED = "yardcliff.tour";

/** Asked once, at the first rack that is drawn. */
export function TourOffer({ onTour }: { onTour: () => void }) {
  const [asked, setAsked] = useState(() => localStorage.getItem(ASKED) !== null);
  if (asked) return null;
  const answer = (yes: boolean) => () => {
    localStorage.setItem(ASKED, yes ? "taken" : "left");
    setAsked(true);
    if (yes) onTour();
  };
  return (
    <p className="flex flex-wrap items-center gap-2 border-b border-rule bg-note-bg px-3 py-1.5 text-plain">
      <span>{t("help.first-time-here")}</span>
      <Button look="act" onClick={answer(true)}>
        {t("help.show-me-around")}
      </Button>
      <Button onClick={answer(false)}>{t("help.no-thanks")}</Button>
    </p>
  );
}
