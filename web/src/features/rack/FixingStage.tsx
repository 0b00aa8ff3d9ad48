import { Link } from "react-router";

import type { FixingWay, Standing } from "../../api/types";
import { Measure } from "../../ui/Measure";
import { Switch } from "../../ui/Switch";
import { BriefField } from "./BriefField";
import { Fig } from "./Fig";
import { Section } from "./Section";
import { useSession, useShown } from "./shown";
import { useStanding } from "./useStanding";
import { t } from "../../messages";

/** How the rack is fixed, what that bears, and how it is put up. */
export function FixingStage() {
  const id = useShown((shown) => shown.rack.id);
  const on = useShown((shown) => shown.design.on_wall);
  const mount = useShown((shown) => shown.design.brief.mount);
  const { apply } = useSession();
  const standing = useStanding();
  if (!on)
    return (
      <>
        <Chain />
        <Section title={t("rack.on-the-wall")}>
          <p className="text-plain">
            {t("rack.depends-on-what-behind")}{" "}
            <Link to={`/racks/${id}/wall`} className="text-act underline">
              {t("rack.say-which-wall")}
            </Link>{" "}
            {t("rack.hangs-on-screws-their-lengths-what")}
          </p>
          <div className="mt-2 flex items-baseline justify-between gap-2">
            <span className="text-soft">{t("rack.screws")}</span>
            <Switch
              label={t("rack.screws-2")}
              value={mount.by === "plates" ? "plates" : "auto"}
              options={[
                { value: "auto", label: t("rack.as-the-wall-asks") },
                { value: "plates", label: t("rack.under-hook-plates") },
              ]}
              onPick={(by) => apply({ mount: { by } })}
            />
          </div>
          <Fig name="mount.behind" />
          <Fig name="mount.apart" />
        </Section>
      </>
    );
  return (
    <>
      <Chain />
      <Bears />
      <Section title={t("rack.it-hangs-by")}>
        <Ways label={t("rack.it-hangs-by")} value={mount.by} ways={standing.data?.by} field="by" />
        {on.fixed.some((body) => body.strip) && (
          <div className="flex items-center justify-between">
            <span className="text-soft">{t("rack.at-its-foot")}</span>
            <Switch
              label={t("rack.at-its-foot-2")}
              value={mount.foot}
              options={[
                { value: "spacer", label: t("rack.a-spacer") },
                { value: "none", label: t("rack.nothing") },
              ]}
              onPick={(foot) => apply({ mount: { foot } })}
            />
          </div>
        )}
      </Section>
      <Section title={t("rack.into")}>
        <Ways label={t("rack.into")} value={mount.into} ways={standing.data?.into} field="into" />
        <p className="mt-1 text-small text-soft">{t("rack.its-packet-if-gives-figures-for")}</p>
        <BriefField
          path="mount.pull"
          label={t("rack.straight-out")}
          optional
          placeholder={t("rack.not-said")}
        />
        <BriefField
          path="mount.shear"
          label={t("rack.hung-from-it")}
          optional
          placeholder={t("rack.not-said")}
        />
        <BriefField path="mount.factor" label={t("rack.packet-divided-by")} />
        <div className="flex items-center justify-between">
          <span className="text-soft">{t("rack.screws")}</span>
          <Switch
            label={t("rack.screws-2")}
            value={mount.screws}
            options={[
              { value: "free", label: t("rack.where-studs-are") },
              { value: "even", label: t("rack.mirrored") },
            ]}
            onPick={(screws) => apply({ mount: { screws } })}
          />
        </div>
      </Section>
      {standing.data && <PutUp putUp={standing.data.put_up} />}
    </>
  );
}

/** Every link from the thing to the wall, the weakest first, and what was assumed of them. */
function Chain() {
  const chain = useShown((shown) => shown.design.chain);
  const helps = useStanding().data?.helps;
  const [weakest] = chain.links;
  return (
    <Section title={t("rack.what-holds-link-by-link")}>
      {weakest && (
        <p className="text-plain">
          {t("rack.weakest")} <strong className="font-semibold">{weakest.name}</strong>
          {weakest.level > 1 ? t("rack.and-it-does-not-hold") : "."}
        </p>
      )}
      <ul aria-label={t("rack.links-from-thing-wall")}>
        {chain.links.map((link) => (
          <li key={`${link.kind} ${link.name}`} className="mb-1">
            <p className="flex justify-between gap-2 text-plain">
              <span className="first-letter:uppercase">{link.name}</span>
              <span className={`hand shrink-0 ${link.level > 1 ? "font-semibold text-stop" : ""}`}>
                {link.share}
              </span>
            </p>
            <Level level={link.level} />
          </li>
        ))}
      </ul>
      {helps && (
        <p className="text-plain">
          {t("rack.would-help-most")} <strong className="font-semibold">{helps}</strong>
        </p>
      )}
      {chain.unchecked && <p className="text-plain">{chain.unchecked}</p>}
      <p className="mt-1 text-small text-soft">{t("rack.assumed")}</p>
      <ul className="list-disc pl-5 text-small text-soft">
        {chain.assumed.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      <div className="flex flex-wrap gap-x-4">
        <Fig name="hook.pull" label={t("rack.hooks-pull")} />
        <Fig name="hook.share" label={t("rack.hook")} />
        <Fig name="bolt.hold" label={t("rack.bolt")} />
        <Fig name="peg.stress" label={t("rack.peg-bends")} />
        <Fig name="peg.bearing" label={t("rack.in-its-hole")} />
        <Fig name="flip.seat" label={t("rack.finger")} />
      </div>
      <p className="text-fine text-soft">{chain.note}</p>
    </Section>
  );
}

/** A share of all that something may bear, as a bar: full at its limit. */
function Level({ level }: { level: number }) {
  const look = level > 1 ? "fill-stop" : level > 0.8 ? "fill-care" : "fill-act";
  return (
    <svg viewBox="0 0 200 7" className="block h-2 w-full" preserveAspectRatio="none" aria-hidden>
      <rect width={200} height={7} className="fill-note-bg" />
      <rect width={200 * Math.min(level, 1)} height={7} className={look} />
    </svg>
  );
}

/** What the fixings are, body by body, with the working of the one nearest to its limit. */
function Bears() {
  const on = useShown((shown) => shown.design.on_wall);
  return (
    <Section title={t("rack.on-the-wall")} aside={<Fig name="fix.weight" label={t("rack.weighs")} />}>
      {on?.fixed.map((body, index) => (
        <p key={index} className="mb-1 flex justify-between gap-2 text-plain">
          <span>
            {on.fixed.length > 1 && <>{body.body}: </>}
            {body.count} × {body.name}
          </span>
          <span className={`hand shrink-0 ${body.good ? "" : "font-semibold text-stop"}`}>{body.share}</span>
        </p>
      ))}
      <div className="flex flex-wrap gap-x-4">
        <Fig name="fix.tug" label={t("rack.hand-pulls")} />
        <Fig name="fix.shear" label={t("rack.down")} />
        <Fig name="fix.pull" label={t("rack.out")} />
        <Fig name="fix.share" label={t("rack.share")} />
        <Fig name="fix.length" label={t("rack.screws")} />
        <Fig name="fix.apart" label={t("rack.apart")} />
        <Fig name="fix.board" label={t("rack.board-2")} />
        <Fig name="fix.joined" />
        <Fig name="fix.sag" label={t("rack.sags")} />
        <Fig name="fix.strip" />
        <Fig name="fix.lip" />
        <Fig name="mount.behind" />
      </div>
    </Section>
  );
}

interface WaysProps {
  label: string;
  value: string;
  ways: FixingWay[] | undefined;
  field: "by" | "into";
}

function Ways({ label, value, ways, field }: WaysProps) {
  const { apply } = useSession();
  if (!ways) return <p className="text-small text-soft">{t("rack.trying-each")}</p>;
  return (
    <div role="radiogroup" aria-label={label}>
      {ways.map((way) => (
        <label
          key={way.value}
          className="grid cursor-pointer grid-cols-[1rem_1fr_auto] items-center gap-x-1.5 rounded-[2px] py-0.5 text-plain
            hover:bg-note-bg has-checked:bg-note-bg has-checked:font-semibold pointer-coarse:min-h-touch"
        >
          <input
            type="radio"
            name={label}
            className="accent-(--act)"
            checked={way.value === value}
            onChange={() =>
              apply({ mount: { [field]: way.value, ...(field === "into" && { pull: null, shear: null }) } })
            }
          />
          <span title={way.why}>{way.name}</span>
          <span className={`hand text-fine font-normal ${way.good ? "text-soft" : "text-care"}`}>
            {way.verdict}
          </span>
          {way.value === value && (
            <span className="col-span-2 col-start-2 text-small font-normal text-soft">{way.why}</span>
          )}
        </label>
      ))}
    </div>
  );
}

function PutUp({ putUp }: { putUp: Standing["put_up"] }) {
  return (
    <>
      <Section title={t("rack.put-it-up")}>
        <ol className="list-decimal pl-5 text-plain">
          {putUp.steps.map((step, index) => (
            <li key={index} className="mb-1">
              {step.do}
              {step.why && <span className="block text-small text-soft">{step.why}</span>}
            </li>
          ))}
        </ol>
      </Section>
      <Section title={t("rack.holes-in-the-wall")}>
        <table className="hand w-full text-right text-small">
          <thead className="text-soft">
            <tr>
              <th className="text-left font-normal">{t("rack.no")}</th>
              <th className="font-normal">{t("rack.from-the-left")}</th>
              <th className="font-normal">{t("rack.from-the-floor")}</th>
              <th className="font-normal">{t("rack.in")}</th>
            </tr>
          </thead>
          <tbody>
            {putUp.holes.map((hole) => (
              <tr key={hole.number} className="border-t border-rule">
                <td className="text-left font-semibold">{hole.number}</td>
                <td>
                  <Measure text={hole.x} />
                </td>
                <td>
                  <Measure text={hole.y} />
                </td>
                <td>{hole.into}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Section>
      <Section title={t("rack.have-at-hand")}>
        <ul className="list-disc pl-5 text-plain">
          {putUp.tools.map((tool) => (
            <li key={tool}>{tool}</li>
          ))}
        </ul>
      </Section>
      <Section title={t("rack.take-care")}>
        <ul className="list-disc pl-5 text-plain">
          {putUp.cautions.map((caution) => (
            <li key={caution}>{caution}</li>
          ))}
        </ul>
      </Section>
    </>
  );
}
