import { Link } from "react-router";
import { t } from "../messages";

export function NotFound({ text = t("ui.there-is-no-such-page") }: { text?: string }) {
  return (
    <main id="main" tabIndex={-1} className="mx-auto max-w-lg p-10">
      <title>{t("ui.not-here-yardcliff")}</title>
      <h1 className="mb-3 text-2xl">{t("ui.nothing-hangs-here")}</h1>
      <p className="mb-4">{text}</p>
      <Link className="text-act underline" to="/">
        {t("ui.to-the-racks")}
      </Link>
    </main>
  );
}
