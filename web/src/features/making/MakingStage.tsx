import { useQuery } from "@tanstack/react-query";
import { Fragment } from "react";
import { Link } from "react-router";

import { api, calendarUrl } from "../../api/client";
import type { Deadline, Making } from "../../api/types";
import { Button } from "../../ui/Button";
import { Field } from "../../ui/Field";
import { Measure } from "../../ui/Measure";
import { Pick } from "../../ui/Pick";
import { Note } from "../rack/Notes";
import { Section } from "../rack/Section";
import { useSession, useShown } from "../rack/shown";
import { OnPhone } from "./OnPhone";
import { useKeepShop, useMaking } from "./useMaking";
import { WorkshopSheet } from "./WorkshopSheet";
import { useDraft } from "../../ui/useDraft";
import { t } from "../../messages";

const SCHOOLS = [
  {
    key: "finish" as const,
    label: t("making.finish-goes-on"),
    options: [
      {
        value: "after glue",
        label: t("making.after-the-glue"),
        why: t("making.glue-finds-bare-wood-everywhere-inner"),
      },
      {
        value: "before glue",
        label: t("making.before-the-glue"),
        why: t("making.every-face-reached-on-bench-joints"),
      },
    ],
  },
  {
    key: "pegs" as const,
    label: t("making.pegs-go-in"),
    options: [
      {
        value: "after finish",
        label: t("making.after-the-finish"),
        why: t("making.brush-has-bare-face-before-holes"),
      },
      {
        value: "before finish",
        label: t("making.before-the-finish"),
        why: t("making.pegs-board-take-one-colour-mind"),
      },
    ],
  },
  {
    key: "conditioner" as const,
    label: t("making.conditioner"),
    options: [
      {
        value: "as the wood needs",
        label: t("making.as-the-wood-needs"),
        why: t("making.on-woods-blotch-under-finish-shows"),
      },
      { value: "always", label: t("making.always"), why: t("making.also-where-would-not-be-needed") },
      { value: "never", label: t("making.never"), why: t("making.uneven-colour-part-wood") },
    ],
  },
  {
    key: "touched" as const,
    label: t("making.what-things-touch"),
    options: [
      {
        value: "finished",
        label: t("making.finished"),
        why: t("making.wiped-clean-until-hard-rubs-off"),
      },
      {
        value: "left natural",
        label: t("making.left-natural"),
        why: t("making.nothing-rubs-off-on-what-hangs"),
      },
    ],
  },
];

/** When it is done, by which school it is made, waits as on the tin, and the workshop. */
export function MakingStage() {
  const { data } = useMaking();
  const id = useShown((shown) => shown.rack.id);
  if (!data) return <p className="p-3 text-soft">{t("making.counting-the-evenings")}</p>;
  return (
    <>
      <When making={data} />
      {data.findings.length > 0 && (
        <ol
          aria-label={t("making.notes-on-the-making")}
          className="flex flex-col gap-2 border-b border-rule p-2"
        >
          {data.findings.map((finding, index) => (
            <Note key={finding.code + index} finding={finding} number={index + 1} />
          ))}
        </ol>
      )}
      <By />
      <Schools making={data} />
      {data.tools.length > 0 && (
        <Section title={t("making.have-at-hand")}>
          <p className="text-plain">
            {data.tools.map((tool, index) => (
              <Fragment key={tool}>
                {index > 0 && " · "}
                <Measure text={tool} />
              </Fragment>
            ))}
          </p>
        </Section>
      )}
      <OnPhone />
      <WorkshopSheet />
      <Section title={t("making.to-take-along")}>
        <p className="flex flex-wrap gap-x-4 text-plain">
          <a href={calendarUrl(id)} download className="act-link">
            {t("making.these-days-as-a-calendar")}
          </a>
        </p>
      </Section>
    </>
  );
}

function When({ making }: { making: Making }) {
  const id = useShown((shown) => shown.rack.id);
  const done = making.tasks.filter((task) => task.done).length;
  return (
    <Section title={t("making.when-it-is-done")}>
      <p className="hand text-title font-semibold">{making.finish_says || t("making.not-in-these-hours")}</p>
      <p className="text-plain text-soft">
        {t("making.work-left-rest-waiting-done", { hands: making.hands, done, count: making.tasks.length })}
      </p>
      <Link
        to={`/racks/${id}/bench`}
        className="mt-1.5 inline-flex min-h-9 items-center rounded-[3px] border border-act bg-act px-3 text-on-act"
      >
        {t("making.bench-one-step-at-time")}
      </Link>
    </Section>
  );
}

/** A day that it has to be done by, and what would help. */
function By() {
  const { apply } = useSession();
  const keep = useKeepShop();
  const id = useShown((shown) => shown.rack.id);
  const [by, setBy] = useDraft(`${id} by`, "");
  const version = useShown((shown) => shown.rack.version);
  const asked = useQuery({
    queryKey: ["making", id, "by", by, version],
    queryFn: () => api.deadline(id, by),
    enabled: by !== "",
  });
  function take(change: Deadline["changes"][number]) {
    if (change.patch) apply(change.patch);
    const { shop } = change;
    if (shop) void keep(() => shop);
  }
  return (
    <Section
      title={t("making.to-be-done-by")}
      aside={
        <input
          type="date"
          aria-label={t("making.done-by")}
          value={by}
          onChange={(event) => setBy(event.target.value)}
          className="hand min-h-7 border-b border-rule bg-transparent text-plain pointer-coarse:min-h-touch"
        />
      }
    >
      {asked.error && (
        <p role="alert" className="text-stop">
          {asked.error.message}
        </p>
      )}
      {by && asked.data && (
        <>
          <p className={asked.data.makes_it ? "font-semibold" : "font-semibold text-care"}>
            {asked.data.says}
          </p>
          <ul>
            {asked.data.changes.slice(0, 6).map((change) => (
              <li
                key={change.says}
                className="flex items-center gap-2 border-t border-rule py-0.5 text-plain"
              >
                <span className="min-w-0 flex-1">
                  {change.says}: <span className="hand">{change.finish}</span>
                  {change.makes_it && !asked.data.makes_it && (
                    <strong className="font-semibold"> {t("making.makes-it")}</strong>
                  )}
                </span>
                <Button aria-label={t("making.take-it", { says: change.says })} onClick={() => take(change)}>
                  {t("making.take-it-2")}
                </Button>
              </li>
            ))}
          </ul>
        </>
      )}
    </Section>
  );
}

function Schools({ making }: { making: Making }) {
  const { apply, change } = useSession();
  const asked = useShown((shown) => shown.design.brief.making);
  return (
    <Section
      title={t("making.how-you-do-it")}
      aside={
        asked.order.length > 0 && (
          <Button look="bare" onClick={() => apply({ making: { order: [] } })}>
            {t("making.back-order-work")}
          </Button>
        )
      }
    >
      {SCHOOLS.map(({ key, label, options }) => (
        <div key={key} className="flex items-baseline justify-between">
          <span className="text-soft">{label}</span>
          <Pick
            label={label}
            value={asked[key]}
            options={options}
            onPick={(value) => apply({ making: { [key]: value } })}
          />
        </div>
      ))}
      <p className="mt-1 text-small text-soft">{t("making.waits-as-your-tin-or-bottle")}</p>
      {making.waits.map(({ kind, label, usual }) => (
        <Field
          key={kind}
          name={`waits.${kind}`}
          label={label}
          value={asked.waits[kind] ?? usual}
          italic={!(kind in asked.waits)}
          onCommit={(text) => change({ making: { waits: { [kind]: text || null } } })}
        />
      ))}
    </Section>
  );
}
