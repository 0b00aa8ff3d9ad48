import { useState, type ReactNode } from "react";
import { Link } from "react-router";

import type { Settings } from "../../api/types";
import { useKeepSettings, useSettings } from "../../api/useSettings";
import { t } from "../../messages";
import { MEASURES, measuresOf, measuresOffered, STEPS, unitOf } from "../../ui/measures";
import { Pick } from "../../ui/Pick";
import { Switch } from "../../ui/Switch";
import { applyTheme, theme, type Theme } from "../../ui/theme";
import { WorkshopSheet } from "../making/WorkshopSheet";

/** What holds for all racks that begin from now on, and how the page looks here. */
export function SettingsPage() {
  const { data, error } = useSettings();
  const keep = useKeepSettings();
  const [look, setLook] = useState(theme);
  const put = (change: Settings) => keep.mutate(change);
  const trouble = error ?? keep.error;
  return (
    <div className="mx-auto max-w-[60rem] px-5 pb-16">
      <title>{t("settings.settings-yardcliff")}</title>
      <header className="flex items-center gap-3 border-b-2 border-ink py-3">
        <Link to="/" className="text-act underline decoration-dotted underline-offset-3">
          {t("settings.racks")}
        </Link>
        <h1 className="flex-1 text-head">{t("settings.settings")}</h1>
      </header>
      <main>
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
            <Row title={t("settings.workshop")} why={t("settings.tools-and-hours-of-all-racks")}>
              <WorkshopSheet />
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
