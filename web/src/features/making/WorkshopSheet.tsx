import { useState } from "react";

import { saidOf } from "../../api/client";
import type { Shop, ShopSheet } from "../../api/types";
import { Checkbox } from "../../ui/Checkbox";
import { Field } from "../../ui/Field";
import { Section } from "../rack/Section";
import { useKeepShop, useShop } from "./useMaking";
import { language, t, word } from "../../messages";

const AT = String.raw`(\d{1,2})(?:[:.](\d\d))?\s*(am|pm|a\.m\.|p\.m\.)?`;
const SPAN = new RegExp(String.raw`^${AT}\s*(?:-|–|to)\s*${AT}$`, "i");
const AS_SAID = new Intl.DateTimeFormat(language, { hour: "numeric", minute: "2-digit" });
const clock = (hours: number, minutes = "00") => `${String(hours).padStart(2, "0")}:${minutes}`;

/** An hour by what stands behind it, `am` or `pm`; without either it is of 24. */
const of24 = (hours: string, half = "") =>
  half ? (Number(hours) % 12) + (/^p/i.test(half) ? 12 : 0) : Number(hours);

/**
 * The hours of a day as they are typed, `19:00–21:30` or `7–9:30 pm`, several with commas; null where that is no such
 * thing. A start without a half of the day has the end's, unless it would be later.
 */
export function readHours(text: string, day: number): Shop["hours"] | null {
  const spans = text.trim() === "" || text.trim() === "none" ? [] : text.split(",");
  const found = spans.map((span) => SPAN.exec(span.trim()));
  if (found.some((one) => one === null)) return null;
  return found.map((one) => {
    const [, from = "", fromMinutes, half, to = "", toMinutes, endHalf] = one ?? [];
    const end = of24(to, endHalf);
    const likeEnd = of24(from, half ?? endHalf);
    return {
      day,
      start: clock(endHalf && !half && likeEnd > end ? of24(from, "am") : likeEnd, fromMinutes),
      end: clock(end, toMinutes),
    };
  });
}

const at = (clock: string) => new Date(`2000-01-01T${clock}`);

export const writeHours = (week: Shop["hours"], day: number) =>
  week
    .filter((one) => one.day === day)
    .map(({ start, end }) => AS_SAID.formatRange(at(start), at(end)).replace(/\s*–\s*/, "–"))
    .map((span) => (/m/i.test(span) ? span.replaceAll(":00", "") : span))
    .join(", ");

/** The workshop of all racks: when there is time for it, what it has. */
export function WorkshopSheet() {
  const { data } = useShop();
  if (!data) return null;
  return <Sheet data={data} />;
}

function Sheet({ data }: { data: ShopSheet }) {
  const keep = useKeepShop();
  const [error, setError] = useState<string | null>(null);
  const { shop, tools, days } = data;
  const owned = shop.tools ?? [];

  async function put(change: (shop: Shop) => Partial<Shop>): Promise<string | null> {
    try {
      await keep((now) => ({ ...now, ...change(now) }));
      setError(null);
      return null;
    } catch (problem) {
      return saidOf(problem);
    }
  }
  function onHours(week: "hours" | "errands", text: string, day: number) {
    const read = readHours(text, day);
    if (!read) return Promise.resolve(t("making.no-time-day-write-19-00", { text }));
    return put((now) => ({ [week]: [...now[week].filter((one) => one.day !== day), ...read] }));
  }
  const week = (which: "hours" | "errands") =>
    days.map((name, day) => (
      <Field
        key={name}
        name={`${which}.${day}`}
        label={which === "hours" ? name : t("making.errands", { name })}
        wide
        value={writeHours(shop[which], day) || "none"}
        onCommit={(text) => onHours(which, text, day)}
      />
    ));
  function onCount(field: "clamps" | "drying" | "pace", text: string) {
    const number = /^(\d{1,4})\s*%?$/.exec(text)?.[1];
    return number
      ? put(() => ({ [field]: Number(number) }))
      : Promise.resolve(t("making.no-number-write-one-like", { text, shop: shop[field] }));
  }
  function onRate(text: string) {
    const found = /^[\p{Sc}\p{L}.\s]{0,5}(\d{1,4}(?:[.,]\d{1,2})?)[\p{Sc}\p{L}.\s]{0,5}$/u.exec(text)?.[1];
    const amount = found === undefined ? null : Number(found.replace(",", "."));
    return amount === null
      ? Promise.resolve(t("making.no-amount-write-one-like-12", { text }))
      : put(() => ({ rate: Math.round(amount * 100) }));
  }
  return (
    <Section title={t("making.your-workshop")}>
      <div className="grid grid-cols-2 gap-x-3">
        {tools.map((tool) => (
          <Checkbox
            key={tool}
            className="text-plain"
            checked={owned.includes(tool)}
            onChange={(on) => {
              void put(({ tools: now }) => {
                const others = now.filter((one) => one !== tool);
                return { tools: on ? [...others, tool] : others };
              }).then(setError);
            }}
          >
            {word(tool)}
          </Checkbox>
        ))}
      </div>
      {error && (
        <p role="alert" className="text-stop">
          {error}
        </p>
      )}
      <p className="mt-1 text-small text-soft">{t("making.when-there-time-for")}</p>
      {week("hours")}
      <details className="text-plain">
        <summary className="cursor-pointer text-soft pointer-coarse:min-h-touch">
          {t("making.when-yard-can-be-gone")}
        </summary>
        <p className="text-small text-soft">{t("making.with-none-at-all-in-workshops")}</p>
        {week("errands")}
      </details>
      <Field
        name="clamps"
        label={t("making.clamps")}
        value={String(shop.clamps)}
        onCommit={(text) => onCount("clamps", text)}
      />
      <Field
        name="drying"
        label={t("making.places-to-dry")}
        value={String(shop.drying)}
        onCommit={(text) => onCount("drying", text)}
      />
      <Field
        name="pace"
        label={t("making.your-pace-what-reckoned")}
        value={`${shop.pace} %`}
        onCommit={(text) => onCount("pace", text)}
      />
      <Field name="rate" label={t("making.an-hour-of-yours-counts")} value={data.rate} onCommit={onRate} />
      <p className="text-small text-soft">{t("making.what-cut-plan-weighs-ripping-planing")}</p>
    </Section>
  );
}
