import { useState, type ReactNode } from "react";

import { saidOf } from "../../api/client";
import type { Settings } from "../../api/types";
import { useKeepSettings, useSettings } from "../../api/useSettings";
import { chooseLanguage, LANGUAGES, languageChosen, nameOf, t, word } from "../../messages";
import { PageHead } from "../../ui/PageHead";
import { Field } from "../../ui/Field";
import { MEASURES, measuresOf, measuresOffered, STEPS, unitOf } from "../../ui/measures";
import { Pick } from "../../ui/Pick";
import { Switch } from "../../ui/Switch";
import { applyTheme, theme, type Theme } from "../../ui/theme";
import { PhoneAccess } from "../making/OnPhone";
import { WorkshopSheet } from "../making/WorkshopSheet";

/** What holds for all racks that begin from now on, and how the page looks here. */
export function SettingsPage() {
  const { data, error } = useSettings();
  const keep = useKeepSettings();
  const [look, setLook] = useState(theme);
  const put = (change: Settings) => keep.mutate(change);
  // What a field could not read is said at the field.
  const trouble = error ?? (keep.variables?.kerf === undefined ? keep.error : null);
  return (
    <div className="mx-auto max-w-[60rem] px-5 pb-16">
      <title>{t("settings.settings-yardcliff")}</title>
      <PageHead title={t("settings.settings")} />
      <main id="main" tabIndex={-1}>
        {trouble && (
          <p role="alert" className="my-4 border border-stop bg-stop-bg p-3 text-stop">
            {trouble.message}
          </p>
        )}
        {data && (
          <dl>
            <Row
              title={t("settings.buying-and-measuring")}
              why={t("settings.racks-that-are-there-keep-theirs")}
            >
              <fieldset className="flex flex-col gap-1">
                <legend className="sr-only">{t("settings.buying-and-measuring")}</legend>
                {measuresOffered().map(({ value, label, why }) => (
                  <label key={value} className="flex cursor-pointer items-baseline gap-2 py-1">
                    <input
                      type="radio"
                      name="measures"
                      checked={measuresOf(data.trade, data.tape) === value}
                      onChange={() => put(MEASURES[value])}
                      className="accent-(--color-act)"
                    />
                    <span>
                      <span className="font-semibold">{label}</span> <span className="text-soft">{why}</span>
                    </span>
                  </label>
                ))}
              </fieldset>
            </Row>
            <Row title={t("settings.tape")} why={t("settings.how-finely-marks-are-read")}>
              <Pick
                label={t("settings.tape")}
                value={data.tape}
                options={STEPS[unitOf(data.tape)].map((step) => ({ value: step, label: step }))}
                onPick={(tape) => put({ tape })}
              />
            </Row>
            <Row title={t("settings.paper")} why={t("settings.for-templates-and-sheets")}>
              <Switch
                label={t("settings.paper")}
                value={data.paper}
                options={[
                  { value: "a4", label: t("settings.a4") },
                  { value: "letter", label: t("settings.letter") },
                ]}
                onPick={(paper) => put({ paper })}
              />
            </Row>
            <Row title={t("settings.money")} why={t("settings.that-prices-are-asked-for-in")}>
              <Pick
                label={t("settings.money")}
                value={data.currency}
                options={data.currencies.map(({ key, name }) => ({ value: key, label: `${key}, ${name}` }))}
                onPick={(currency) => put({ currency })}
              />
            </Row>
            <Row title={t("settings.saw")} why={t("settings.that-new-racks-are-cut-with")}>
              <Pick
                label={t("settings.saw")}
                value={data.saw}
                options={data.saws.map((saw) => ({ value: saw, label: word(saw) }))}
                onPick={(saw) => put({ saw })}
              />
              <div className="max-w-72">
                <Field
                  name="kerf"
                  label={t("settings.each-cut-takes")}
                  value={data.kerf}
                  placeholder={data.kerf_usual}
                  onCommit={(kerf) => keep.mutateAsync({ kerf }).then(() => null, saidOf)}
                />
              </div>
            </Row>
            <Row title={t("settings.workshop")} why={t("settings.tools-and-hours-of-all-racks")}>
              <div className="-mx-3">
                <WorkshopSheet />
              </div>
            </Row>
            <Row title={t("settings.language")} why={t("settings.in-this-browser-days-and-times-too")}>
              <Pick
                label={t("settings.language")}
                value={languageChosen()}
                options={[
                  { value: "", label: t("settings.as-the-browser-asks-for") },
                  ...LANGUAGES.map((tag) => ({ value: tag, label: nameOf(tag) })),
                ]}
                onPick={(next) => void keep.mutateAsync({}).then(() => chooseLanguage(next))}
              />
            </Row>
            <Row title={t("settings.colors")} why={t("settings.in-this-browser")}>
              <Switch<Theme>
                label={t("settings.colors")}
                value={look}
                options={[
                  { value: "system", label: t("settings.as-the-system") },
                  { value: "light", label: t("settings.light") },
                  { value: "dark", label: t("settings.dark") },
                ]}
                onPick={(next) => {
                  applyTheme(next);
                  setLook(next);
                }}
              />
            </Row>
            <Row title={t("settings.phone")} why={t("settings.until-yardcliff-is-stopped")}>
              <div className="-mx-3">
                <PhoneAccess to="" />
              </div>
            </Row>
            <Row
              title={t("settings.copy-of-everything")}
              why={t("settings.racks-walls-timber-log-in-one-file")}
            >
              <a href="/api/settings/backup" download className="act-link">
                {t("settings.save-a-copy")}
              </a>
              <p className="text-plain text-soft">{t("settings.opened-by-serve-data")}</p>
            </Row>
          </dl>
        )}
      </main>
    </div>
  );
}

function Row({ title, why, children }: { title: string; why: string; children: ReactNode }) {
  return (
    <div className="grid gap-x-6 gap-y-1 border-b border-rule py-4 sm:grid-cols-[14rem_1fr]">
      <dt>
        <span className="text-lead">{title}</span>
        <span className="block text-plain text-soft">{why}</span>
      </dt>
      <dd className="min-w-0">{children}</dd>
    </div>
  );
}
