import { Measure } from "../../ui/Measure";
import { useSession, useShown } from "./shown";
import { t } from "../../messages";

/** A derived figure: press it for its working. */
export function Fig({ name, label }: { name: string; label?: string }) {
  const { openFigure } = useSession();
  const figure = useShown((shown) => shown.design.figures[name]);
  if (!figure) return null;
  return (
    <button
      type="button"
      className="inline-flex min-h-6 items-baseline gap-1.5 pointer-coarse:min-h-touch pointer-coarse:flex-wrap pointer-coarse:content-center"
      onClick={() => openFigure(name)}
      title={t("rack.show-the-working")}
    >
      <span className="text-small text-soft">{label ?? figure.label.toLowerCase()}</span>
      <span className="hand text-plain act-link">
        <Measure text={figure.tape ?? figure.text} />
      </span>
    </button>
  );
}
