import { useState } from "react";

import { Button } from "./Button";
import { applyTheme, theme, type Theme } from "./theme";
import { t } from "../messages";

const NEXT: Record<Theme, Theme> = { system: "light", light: "dark", dark: "system" };
const SAYS: Record<Theme, string> = { system: t("ui.as-the-system"), light: "light", dark: "dark" };

export function ThemeButton() {
  const [now, setNow] = useState(theme);
  return (
    <Button
      look="bare"
      aria-label={t("ui.colours", { SAYS: SAYS[now] })}
      title={t("ui.colours", { SAYS: SAYS[now] })}
      onClick={() => {
        applyTheme(NEXT[now]);
        setNow(NEXT[now]);
      }}
    >
      <svg width={16} height={16} viewBox="-8 -8 16 16" aria-hidden>
        <circle r={6.5} className="fill-none stroke-current" strokeWidth={1.4} />
        {now !== "light" && (
          <path
            d={now === "dark" ? "M0 -6.5 A6.5 6.5 0 1 1 -0.01 -6.5" : "M0 -6.5 A6.5 6.5 0 0 1 0 6.5 Z"}
            className="fill-current"
          />
        )}
      </svg>
    </Button>
  );
}
