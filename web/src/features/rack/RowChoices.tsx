import * as RadioGroup from "radix-ui/radio-group";
import type { ReactNode } from "react";

import type { Catalogue } from "../../api/types";
import { Pick } from "../../ui/Pick";
import { Switch } from "../../ui/Switch";
import { BriefField, GapField } from "./BriefField";
import { Fig } from "./Fig";
import { rowOf } from "./patches";
import { Section } from "./Section";
import { useSession, useShown, useSides } from "./shown";
import { t } from "../../messages";

/** Length, count, pitch and ends: three are held by a peg, the loose one is worked out from them. */
export function RowChoices({ catalogue }: { catalogue: Catalogue }) {
  const { apply } = useSession();
  const row = useShown((shown) => rowOf(shown.design));
  const [start, end] = useSides();
  const loose = (name: string) => row.follows === name;
  return (
    <Section
      title={t("rack.the-row")}
      aside={row.spacing === "air" ? <Fig name="row.span" /> : <Fig name="row.air" />}
    >
      <RadioGroup.Root
        aria-label={t("rack.which-figure-worked-out-from-others")}
        value={row.follows}
        onValueChange={(follows) => apply({ row: { follows } })}
      >
        <Line name="length" loose={loose("length")}>
          <BriefField
            path="row.length"
            label={t("rack.length")}
            italic={loose("length")}
            wide
            className="flex-1"
          />
        </Line>
        <Line name="count" loose={loose("count")}>
          <BriefField
            path="row.count"
            label={t("rack.count")}
            italic={loose("count")}
            wide
            className="flex-1"
          />
        </Line>
        {row.spacing === "air" ? (
          <Line name="pitch" label={t("rack.air")} loose={loose("pitch")}>
            <GapField italic={loose("pitch")} wide className="flex-1" />
          </Line>
        ) : (
          <Line name="pitch" loose={loose("pitch")}>
            <BriefField
              path="row.pitch"
              label={t("rack.pitch")}
              italic={loose("pitch")}
              wide
              className="flex-1"
            />
            {row.pitch !== null && !loose("pitch") && (
              <button
                type="button"
                className="text-fine text-act underline decoration-dotted"
                title={t("rack.as-close-as-items-their-air")}
                onClick={() => apply({ row: { pitch: null } })}
              >
                {t("rack.as-needed")}
              </button>
            )}
          </Line>
        )}
        <Line name="ends" loose={loose("ends")}>
          {loose("ends") ? (
            <span className="flex flex-1 items-baseline gap-1">
              <span className="text-soft">{t("rack.ends")}</span>
              <span aria-hidden className="mb-1 flex-1 self-end border-b border-dotted border-rule" />
              <Fig name="row.left" label={t("rack.shared")} />
            </span>
          ) : (
            <>
              <span className="text-soft">{t("rack.ends")}</span>
              <Pick
                label={t("rack.end-rule")}
                className="flex-1"
                value={row.ends.rule}
                options={catalogue.ends.map((rule) => ({
                  value: rule.key,
                  label: rule.name,
                  why: rule.why ?? "",
                  icon: <EndPicture rule={rule.key} />,
                }))}
                onPick={(rule) => apply({ row: { ends: { rule } } })}
              />
              {row.ends.rule !== "margin" && <Fig name="row.left" label="" />}
            </>
          )}
        </Line>
      </RadioGroup.Root>
      {row.ends.rule === "margin" && !loose("ends") && (
        <div className="grid grid-cols-2 gap-x-3 pl-6">
          <BriefField path="row.ends.left" label={start} />
          <BriefField path="row.ends.right" label={end} />
        </div>
      )}
      <div className="flex flex-wrap items-center justify-between gap-x-2">
        <Switch
          label={t("rack.spacing")}
          value={row.spacing}
          options={catalogue.spacings.map((rule) => ({
            value: rule.key,
            label: rule.name.toLowerCase(),
            hint: rule.why ?? "",
          }))}
          onPick={(spacing) => apply({ row: { spacing } })}
        />
        {row.spacing === "tidy" && (
          <BriefField path="row.tidy" label={t("rack.to")} className="ml-auto w-[6.2rem]" />
        )}
      </div>
    </Section>
  );
}

interface LineProps {
  name: string;
  /** What it is called where that is not its name. */
  label?: string;
  loose: boolean;
  children: ReactNode;
}

function Line({ name, label = name, loose, children }: LineProps) {
  return (
    <div className="flex min-h-7 items-center gap-1.5">
      <RadioGroup.Item
        value={name}
        aria-label={t("rack.work-out-the", { label })}
        title={
          loose ? t("rack.worked-out-from-other-three") : t("rack.held-press-work-out-instead", { label })
        }
        className="flex h-6 w-5 shrink-0 items-center justify-center pointer-coarse:h-touch"
      >
        <svg width={16} height={16} viewBox="-8 -8 16 16" aria-hidden>
          {loose ? (
            <path d="M-5 -2 H5 M-5 2.5 H5" className="stroke-act" strokeWidth={2} />
          ) : (
            <>
              <circle r={6} className="fill-none stroke-rule" strokeWidth={1.2} />
              <circle r={3.4} className="fill-ink" />
            </>
          )}
        </svg>
      </RadioGroup.Item>
      {children}
    </div>
  );
}

const PLACES: Record<string, number[]> = {
  margin: [9, 30, 51],
  half: [10, 30, 50],
  whole: [15, 30, 45],
  gaps: [16.5, 30, 43.5],
  inside: [6, 30, 54],
};

/** The rule as a picture: a board with three holders where it puts them. */
function EndPicture({ rule }: { rule: string }) {
  return (
    <svg width={60} height={14} viewBox="0 0 60 14" aria-hidden className="shrink-0">
      <rect x={0.5} y={2} width={59} height={7} className="fill-wood stroke-ink" />
      {(PLACES[rule] ?? []).map((x) => (
        <path key={x} d={`M${x} 4 V13`} className="stroke-ink" strokeWidth={rule === "gaps" ? 4 : 2} />
      ))}
    </svg>
  );
}
