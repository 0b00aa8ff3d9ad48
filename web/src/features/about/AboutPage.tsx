import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";

import { Input } from "../../ui/Input";
import { ThemeButton } from "../../ui/ThemeButton";
import { t } from "../../messages";

/** What of a package is said: made with the page itself (scripts/notices.py), not asked of the API. */
interface Notice {
  name: string;
  version: string;
  licence: string;
  text: string;
}

async function fetched<T>(path: string): Promise<T> {
  const answer = await fetch(path);
  if (!answer.ok) throw new Error(t("about.not-there-build-page-again-make"));
  const read: T = await answer.json();
  return read;
}

/** What Yardcliff is made of, and by whose leave. */
export function AboutPage() {
  const version = useQuery({
    queryKey: ["health"],
    queryFn: () => fetched<{ yardcliff: string }>("/api/health"),
    staleTime: Infinity,
  });
  const notices = useQuery({
    queryKey: ["notices"],
    queryFn: () => fetched<Notice[]>("/assets/notices.json"),
    staleTime: Infinity,
  });
  const [find, setFind] = useState("");
  const sought = find.trim().toLowerCase();
  const shown = notices.data?.filter(({ name, licence }) =>
    `${name} ${licence}`.toLowerCase().includes(sought),
  );

  return (
    <div className="mx-auto max-w-4xl px-5 pb-16">
      <title>{t("about.about-yardcliff")}</title>
      <header className="flex flex-wrap items-center gap-3 border-b-2 border-ink py-3">
        <h1 className="flex-1 text-head">{t("about.about-yardcliff-2")}</h1>
        <Link to="/" className="act-link">
          {t("about.all-racks")}
        </Link>
        <ThemeButton />
      </header>
      <main id="main" tabIndex={-1} className="grid gap-4 pt-5">
        <p className="max-w-prose">
          {t("about.version")} {version.data?.yardcliff ?? "…"}
          {t("about.under-apache-license-2-0-runs")}
        </p>
        <h2 className="mt-2 text-title">{t("about.what-it-is-made-of")}</h2>
        {notices.error && <p role="alert">{notices.error.message}</p>}
        {notices.data && (
          <div className="flex flex-wrap items-baseline gap-3">
            <Input label={t("about.find-package-or-licence")} value={find} onChange={setFind} />
            <span role="status" className="text-soft">
              {t("about.of", { count: shown?.length, count2: notices.data.length })}
            </span>
          </div>
        )}
        <ul className="columns-1 gap-8 md:columns-2">
          {shown?.map(({ name, version, licence, text }) => (
            <li key={`${name} ${version}`} className="break-inside-avoid border-b border-rule py-1">
              {text ? (
                <details>
                  <summary className="cursor-pointer">
                    {name} <span className="text-soft">{[version, licence].filter(Boolean).join(", ")}</span>
                  </summary>
                  <pre className="overflow-x-auto py-2 font-sans text-small whitespace-pre-wrap">{text}</pre>
                </details>
              ) : (
                <p className="pl-4">
                  {name} <span className="text-soft">{[version, licence].filter(Boolean).join(", ")}</span>
                </p>
              )}
            </li>
          ))}
        </ul>
        {shown?.length === 0 && (
          <p className="text-soft">{t("about.none-called-no-licence", { find: find.trim() })}</p>
        )}
      </main>
    </div>
  );
}
