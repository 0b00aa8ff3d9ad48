/** Light, dark, or as the system says; kept in this browser. */
export type Theme = "system" | "light" | "dark";
const KEY = "yardcliff-theme";
const THEMES: Theme[] = ["system", "light", "dark"];

export const theme = (): Theme => {
  const kept = localStorage.getItem(KEY);
  return THEMES.find((one) => one === kept) ?? "system";
};

export function applyTheme(next: Theme = theme()) {
  if (next === "system") localStorage.removeItem(KEY);
  else localStorage.setItem(KEY, next);
  document.documentElement.dataset["theme"] = next;
}
