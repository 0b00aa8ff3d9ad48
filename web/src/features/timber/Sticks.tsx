import type { Sawn, TimberGroup } from "../../api/types";
import { Measure } from "../../ui/Measure";
import { t } from "../../messages";

/** All of one thickness, and how good its plan is. */
export function GroupHead({ group }: { group: TimberGroup }) {
  return (
    <>
      <h2 className="flex flex-wrap items-baseline gap-x-3 border-b-2 border-ink text-lead">
        <span className="flex-1">
          <Measure text={group.says} />
        </span>
        <span className={`text-small font-normal ${group.proved ? "text-soft" : "text-care"}`}>
          {group.verdict}
        </span>
      </h2>
      {group.missing.length > 0 && (
        <p className="hand mt-1 text-plain text-stop">
          {t("timber.nothing-gives", { missing: group.missing.join(", ") })}
        </p>
      )}
    </>
  );
}

/** What a stick is, what it costs, how much of it is used. */
export function StickSays({ stick }: { stick: Sawn }) {
  return (
    <>
      <span className="font-semibold">
        <Measure text={stick.name} />
      </span>
      <span className="hand text-soft">
        <Measure text={stick.long} />
      </span>
      <span className="hand">
        {stick.price}
        {stick.was && <s className="pl-1.5 text-soft">{stick.was}</s>}
      </span>
      <span className="hand text-soft">{t("timber.becomes-parts", { used: stick.used })}</span>
      {stick.note && <span className="truncate text-soft italic">{stick.note}</span>}
    </>
  );
}

/** What is done at the saw, in turn. */
export function Order({ stick }: { stick: Sawn }) {
  return (
    <details className="text-small">
      <summary className="cursor-pointer text-soft pointer-coarse:min-h-touch">
        {t("timber.in-this-order")}
      </summary>
      <ol className="list-decimal pb-1 pl-6">
        {stick.order.map((step, index) => (
          <li key={index}>
            <Measure text={step} />
          </li>
        ))}
      </ol>
    </details>
  );
}
