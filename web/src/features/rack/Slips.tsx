import type { Design, Figure } from "../../api/types";
import { Measure } from "../../ui/Measure";
import { PlaceControls } from "./PlaceControls";
import { useSession, useShown } from "./shown";
import { t } from "../../messages";

/** Slips of working, side by side: formula, numbers, result, and why this rule. They follow the design. */
export function Slips() {
  const { keepSlip, closeSlip } = useSession();
  const slips = useShown((shown) => shown.slips);
  const design = useShown((shown) => (shown.slips.length ? shown.design : null));
  if (!design) return null;
  return (
    <div
      className="pointer-events-none absolute bottom-2 left-2 z-20 flex max-w-[calc(100%-1rem)] flex-wrap-reverse items-end gap-2"
      aria-live="polite"
    >
      {slips.map(({ key, kept }) => {
        const figure = key.startsWith("mark.") ? markFigure(design, key) : design.figures[key];
        return (
          figure && (
            <section
              key={key}
              aria-label={t("rack.working-of", { label: figure.label })}
              className="pointer-events-auto w-64 border border-ink bg-sheet px-3 pt-2 pb-2.5 text-plain shadow-[3px_3px_0_var(--rule)]"
            >
              <div className="flex items-baseline gap-2">
                <h2 className="flex-1 text-body">{figure.label}</h2>
                <button
                  type="button"
                  aria-pressed={kept}
                  className="text-fine text-act underline decoration-dotted underline-offset-2"
                  onClick={() => keepSlip(key)}
                >
                  {kept ? t("rack.kept") : t("rack.keep")}
                </button>
                <button
                  type="button"
                  aria-label={t("rack.close", { label: figure.label })}
                  className="px-1 leading-none"
                  onClick={() => closeSlip(key)}
                >
                  ×
                </button>
              </div>
              <p className="hand my-1 border-b border-dotted border-rule pb-1 text-plain">{figure.formula}</p>
              <dl className="grid grid-cols-[auto_1fr_auto] gap-x-2 text-small">
                {figure.inputs.map((input) => (
                  <div key={input.symbol + input.name} className="contents">
                    <dt className="hand">{input.symbol}</dt>
                    <dd className="text-soft">{input.name}</dd>
                    <dd className="hand text-right">
                      <Measure text={input.text} />
                    </dd>
                  </div>
                ))}
              </dl>
              <p className="hand mt-1 border-t border-ink pt-1 text-right text-lead font-semibold">
                = <Measure text={figure.text} />
              </p>
              {figure.tape && (
                <p className="text-right text-small text-mark">
                  {t("rack.on-the-tape")} <Measure text={figure.tape} />
                </p>
              )}
              <p className="mt-1 text-small text-soft">{figure.why}</p>
              {/^mark\.\d+$/.test(key) && <PlaceControls index={Number(key.slice(5))} />}
            </section>
          )
        );
      })}
    </div>
  );
}

/** The slip of one mark, `mark.place` or `mark.place.row`, from the row's figures. */
function markFigure(design: Design, key: string): Figure | undefined {
  const [index = 0, row = 0] = key.split(".").slice(1).map(Number);
  const marks = row ? design.rows[row]?.marks : design.marks;
  const drifted = marks?.drift?.[index];
  const { "row.left": left, "row.pitch": pitch } = design.figures;
  if (!marks || index >= marks.x.length) return undefined;
  const even = drifted !== undefined && left && pitch && !row;
  const drift = even
    ? t("rack.stepping-off-rounded-pitch-would-put", { drifted })
    : row
      ? t("rack.its-row-follows-first-one")
      : t("rack.row-has-no-one-pitch-step");
  return {
    key,
    label: row
      ? t("rack.mark-2", { index: index + 1, names: design.rows[row]?.names })
      : t("rack.mark-3", { index: index + 1 }),
    text: marks.exact[index] ?? "",
    tape: `${marks.text[index]} (${marks.error[index]})`,
    formula: marks.pinned.includes(index)
      ? t("rack.pinned-here")
      : even
        ? "a + k · p"
        : t("rack.by-its-neighbours"),
    inputs: even
      ? [
          { symbol: "a", name: design.ends[0], text: left.text },
          { symbol: "k", name: t("rack.spaces-before-it"), text: String(index) },
          { symbol: "p", name: "pitch", text: pitch.text },
        ]
      : [],
    why: t("rack.measured-from-datum-rounded-on-its", { from_end: marks.from_end[index], drift }),
  };
}
