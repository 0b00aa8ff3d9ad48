import { t } from "../../messages";
const FILES = [
  { kind: "cut-plan.pdf", label: t("timber.cut-plan-pdf") },
  { kind: "cut-plan.csv", label: t("timber.cut-plan-csv") },
  { kind: "shopping.csv", label: t("timber.shopping-list-csv") },
];

/** A plan and its list as files. */
export function Files({ url }: { url: (kind: string) => string }) {
  return (
    <p className="mt-1.5 flex flex-wrap gap-x-3 text-small">
      {FILES.map(({ kind, label }) => (
        <a
          key={kind}
          href={url(kind)}
          {...(kind.endsWith(".pdf") ? { target: "_blank", rel: "noreferrer" } : { download: true })}
          className="act-link"
        >
          {label}
        </a>
      ))}
    </p>
  );
}
