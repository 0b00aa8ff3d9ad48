import { useEffect, useState } from "react";

import { openLine } from "../../api/socket";
import type { Reading } from "../../api/types";
import { t } from "../../messages";

const AWAY: Reading = {
  text: "",
  value: "",
  steady: false,
  says: t("instruments.nothing-comes-from-yardcliff-still"),
};

/** An instrument that is held to something, mm, as it sends what it shows; nothing where none is chosen. */
export function useInstrument(name: string | null, held: number | null, tape: string): Reading | null {
  const [shown, setShown] = useState<{ of: string; now: Reading } | null>(null);
  const of = name && held !== null ? `${name}?${new URLSearchParams({ held: held.toFixed(3), tape })}` : null;
  useEffect(() => {
    if (of === null) return;
    let left = false;
    const socket = openLine(`instruments/${of}`, (now) => setShown({ of, now }));
    socket.onclose = () => {
      if (!left) setShown({ of, now: AWAY });
    };
    return () => {
      left = true;
      socket.close();
    };
  }, [of]);
  return shown && shown.of === of ? shown.now : null;
}
