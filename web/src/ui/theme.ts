/** Light, dark, or as the system says; kept in this browser. */
export type Theme = "system" | "light" | "dark";
const KEY = "yardcliff-theme";

export const theme = (): Theme => (localStorage.getItem(KEY) as Theme | null) ?? "system";

export function applyTheme(next: Theme = theme()) {
  if (next === "system") localStorage.removeItem(KEY);
  else localStorage.setItem(KEY, next);
  document.documentElement.dataset["theme"] = next;
}
