import { useEffect, useState } from "react";

/** Reads what comes next out, by the device's own voice; null where it has none. */
export function useReader(text: string) {
  const [on, setOn] = useState(false);
  useEffect(() => {
    if (!on || !text) return;
    speechSynthesis.cancel();
    speechSynthesis.speak(new SpeechSynthesisUtterance(spoken(text)));
    return () => speechSynthesis.cancel();
  }, [on, text]);
  if (typeof speechSynthesis === "undefined") return null;
  return { on, toggle: () => setOn(!on) };
}

const UNITS: [RegExp, string][] = [
  [/\bmm\b/g, "millimetres"],
  [/\bin\b(?=$|[,.;:]| )/g, "inches"],
  [/(\d+) (\d+)\/(\d+)/g, "$1 and $2 over $3"],
  [/×/g, "by"],
];

/** Measures as they are said aloud. */
export const spoken = (text: string) => UNITS.reduce((said, [from, to]) => said.replace(from, to), text);
