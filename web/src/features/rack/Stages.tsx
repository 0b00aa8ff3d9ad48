import { NavLink } from "react-router";

import { useMaking } from "../making/useMaking";
import { useTimber } from "../timber/useTimber";
import { useShown } from "./shown";
import { t } from "../../messages";

export type Stage = "rack" | "wall" | "fixing" | "timber" | "making" | "log";

const STAGES: { stage: Stage; label: string; path: string }[] = [
  { stage: "rack", label: t("rack.the-rack"), path: "" },
  { stage: "wall", label: t("rack.its-wall"), path: "/wall" },
  { stage: "fixing", label: t("rack.fixing"), path: "/fixing" },
  { stage: "timber", label: t("rack.timber"), path: "/timber" },
  { stage: "making", label: t("rack.making"), path: "/making" },
  { stage: "log", label: t("rack.log"), path: "/log" },
];

export const STAGE_NAMES = Object.fromEntries(STAGES.map(({ stage, label }) => [stage, label])) as Record<
  Stage,
  string
>;

/** Which stage of the work a finding belongs to, by its code. */
const stageOf = (code: string): Stage =>
  code.startsWith("wall.")
    ? "wall"
    : /^(fix|mount)\./.test(code)
      ? "fixing"
      : code.startsWith("cut.")
        ? "timber"
        : code.startsWith("work.")
          ? "making"
          : "rack";

/** The stages of the work, visited at will, each with what is left to settle in it. */
export function Stages({ stage }: { stage: Stage }) {
  const id = useShown((shown) => shown.rack.id);
  const found = useShown((shown) => shown.design.findings);
  const { data: timber } = useTimber(stage === "timber");
  const { data: making } = useMaking(stage === "making");
  const findings = [...found, ...(timber?.findings ?? []), ...(making?.findings ?? [])];
  return (
    <nav
      aria-label={t("rack.stages")}
      data-stop="stages"
      className="flex border-b-2 border-ink bg-paper max-md:fixed max-md:inset-x-0 max-md:bottom-0 max-md:z-30 max-md:border-t-2 max-md:border-b-0"
    >
      {STAGES.map(({ stage: one, label, path }) => {
        const left = findings.filter(
          ({ code, severity }) => severity !== "note" && stageOf(code) === one,
        ).length;
        return (
          <NavLink
            key={one}
            to={`/racks/${id}${path}`}
            end
            aria-current={one === stage ? "page" : undefined}
            className="hand flex min-h-9 flex-auto max-md:min-h-12 items-center justify-center gap-0.5 px-0.5 whitespace-nowrap border-l border-rule text-small text-soft first:border-l-0
              hover:text-ink aria-[current=page]:bg-sheet aria-[current=page]:font-semibold aria-[current=page]:text-ink
              aria-[current=page]:shadow-[inset_0_3px_0_var(--ink)]"
          >
            {label}
            {left > 0 && (
              <span className="text-fine font-semibold text-care">
                ▲{left}
                <span className="sr-only"> {t("rack.to-settle")}</span>
              </span>
            )}
          </NavLink>
        );
      })}
    </nav>
  );
}
