import { useEffect } from "react";
import { useLocation } from "react-router";

import { PageHead } from "../../ui/PageHead";
import { ThemeButton } from "../../ui/ThemeButton";
import { TERMS } from "./terms";
import { t } from "../../messages";

/** The words of the page, each with its picture. */
export function WordsPage() {
  const { hash } = useLocation();
  useEffect(() => {
    document.getElementById(hash.slice(1))?.scrollIntoView({ block: "center" });
  }, [hash]);
  return (
    <div className="mx-auto max-w-[84rem] px-5 pb-16">
      <title>{t("help.words-yardcliff")}</title>
      <PageHead title={t("help.words-and-what-they-mean")}>
        <ThemeButton />
      </PageHead>
      <main id="main" tabIndex={-1}>
        <dl className="grid grid-cols-[repeat(auto-fill,minmax(min(24rem,100%),1fr))] gap-x-8">
          {TERMS.map(({ key, name, says, picture }) => (
            <div
              key={key}
              id={key}
              className="grid grid-cols-[8.5rem_1fr] items-center gap-x-4 border-b border-rule py-3 target:bg-sheet"
            >
              <svg viewBox="0 0 180 92" className="row-span-2 w-full" aria-hidden>
                {picture}
              </svg>
              <dt className="hand self-end text-lead font-semibold">{name}</dt>
              <dd className="self-start">{says}</dd>
            </div>
          ))}
        </dl>
      </main>
    </div>
  );
}
