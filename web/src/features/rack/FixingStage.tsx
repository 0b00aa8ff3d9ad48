import { Link } from "react-router";

import type { FixingWay, Standing } from "../../api/types";
import { Measure } from "../../ui/Measure";
import { Switch } from "../../ui/Switch";
import { BriefField } from "./BriefField";
import { Fig } from "./Fig";
import { Section } from "./Section";
import { useSession, useShown } from "./shown";
import { useStanding } from "./useStanding";

interface Mount {
  by: string;
  into: string;
  screws: "free" | "even";
}

/** How the rack is fixed, what that bears, and how it is put up. */
export function FixingStage() {
  const id = useShown((shown) => shown.rack.id);
  const on = useShown((shown) => shown.design.on_wall);
  const mount = useShown((shown) => shown.design.brief["mount"]) as unknown as Mount;
  const { apply } = useSession();
  const standing = useStanding();
  if (!on)
    return (
      <Section title="What holds it">
        <p className="text-[0.95rem]">
          That depends on what is behind it.{" "}
          <Link to={`/racks/${id}/wall`} className="text-act underline">
            Say which wall
          </Link>{" "}
          it hangs on, and the screws, their lengths and what they bear are worked out.
        </p>
        <div className="mt-2 flex items-baseline justify-between gap-2">
          <span className="text-soft">screws</span>
          <Switch
            label="Screws"
            value={mount.by === "plates" ? "plates" : "auto"}
            options={[
              { value: "auto", label: "as the wall asks" },
              { value: "plates", label: "under hook plates" },
            ]}
            onPick={(by) => apply({ mount: { by } })}
          />
        </div>
        <Fig name="mount.behind" />
        <Fig name="mount.apart" />
      </Section>
    );
  return (
    <>
      <Bears />
      <Section title="It hangs by">
        <Ways label="It hangs by" value={mount.by} ways={standing.data?.by} field="by" />
      </Section>
      <Section title="Into">
        <Ways label="Into" value={mount.into} ways={standing.data?.into} field="into" />
        <BriefField
          path="mount.carries"
          label="one carries, by its packet, g"
          optional
          placeholder="not said"
        />
        <div className="flex items-center justify-between">
          <span className="text-soft">screws</span>
          <Switch
            label="Screws"
            value={mount.screws}
            options={[
              { value: "free", label: "where studs are" },
              { value: "even", label: "mirrored" },
            ]}
            onPick={(screws) => apply({ mount: { screws } })}
          />
        </div>
      </Section>
      {standing.data && <PutUp putUp={standing.data.put_up} />}
    </>
  );
}

/** What the fixings bear, body by body, with the working of the one nearest to its limit. */
function Bears() {
  const standing = useStanding();
  const on = useShown((shown) => shown.design.on_wall);
  return (
    <Section title="What it bears" aside={<Fig name="fix.weight" label="weighs" />}>
      {on?.fixed.map((one, index) => (
        <div key={index} className="mb-1">
          <p className="flex justify-between gap-2 text-[0.9rem]">
            <span>
              {on.fixed.length > 1 && <>{one.body}: </>}
              {one.count} × {one.name}
            </span>
            <span className={`hand shrink-0 ${one.good ? "" : "font-semibold text-stop"}`}>{one.share}</span>
          </p>
          <svg viewBox="0 0 200 7" className="block h-2 w-full" preserveAspectRatio="none" aria-hidden>
            <rect width={200} height={7} className="fill-note-bg" />
            <rect
              width={200 * Math.min(one.level, 1)}
              height={7}
              className={one.good ? (one.level > 0.8 ? "fill-care" : "fill-act") : "fill-stop"}
            />
          </svg>
        </div>
      ))}
      <div className="flex flex-wrap gap-x-4">
        <Fig name="fix.shear" label="down" />
        <Fig name="fix.pull" label="out" />
        <Fig name="fix.share" label="share" />
        <Fig name="fix.length" label="screws" />
        <Fig name="fix.apart" label="apart" />
        <Fig name="fix.sag" label="sags" />
        <Fig name="fix.strip" />
        <Fig name="fix.lip" />
        <Fig name="mount.behind" />
      </div>
      {standing.data?.helps && (
        <p className="text-[0.9rem]">
          Would help most: <strong className="font-semibold">{standing.data.helps}</strong>
        </p>
      )}
      <p className="text-[0.82rem] text-soft">
        A rule of thumb, cautious and with a tug on the heaviest thing; no proof of strength.
      </p>
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
  if (!ways) return <p className="text-[0.87rem] text-soft">Trying each…</p>;
  return (
    <div role="radiogroup" aria-label={label}>
      {ways.map((way) => (
        <label
          key={way.value}
          className="grid cursor-pointer grid-cols-[1rem_1fr_auto] items-center gap-x-1.5 rounded-[2px] py-0.5 text-[0.92rem]
            hover:bg-note-bg has-checked:bg-note-bg has-checked:font-semibold pointer-coarse:min-h-10"
        >
          <input
            type="radio"
            name={label}
            className="accent-(--act)"
            checked={way.value === value}
            onChange={() =>
              apply({ mount: { [field]: way.value, ...(field === "into" && { carries: null }) } })
            }
          />
          <span title={way.why}>{way.name}</span>
          <span className={`hand text-[0.8rem] font-normal ${way.good ? "text-soft" : "text-care"}`}>
            {way.verdict}
          </span>
          {way.value === value && (
            <span className="col-span-2 col-start-2 text-[0.84rem] font-normal text-soft">{way.why}</span>
          )}
        </label>
      ))}
    </div>
  );
}

function PutUp({ putUp }: { putUp: Standing["put_up"] }) {
  return (
    <>
      <Section title="Put it up">
        <ol className="list-decimal pl-5 text-[0.92rem]">
          {putUp.steps.map((step, index) => (
            <li key={index} className="mb-1">
              {step.do}
              {step.why && <span className="block text-[0.84rem] text-soft">{step.why}</span>}
            </li>
          ))}
        </ol>
      </Section>
      <Section title="Holes in the wall">
        <table className="hand w-full text-right text-[0.87rem]">
          <thead className="text-soft">
            <tr>
              <th className="text-left font-normal">no.</th>
              <th className="font-normal">from the left</th>
              <th className="font-normal">from the floor</th>
              <th className="font-normal">in</th>
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
      <Section title="Have at hand">
        <ul className="list-disc pl-5 text-[0.9rem]">
          {putUp.tools.map((tool) => (
            <li key={tool}>{tool}</li>
          ))}
        </ul>
      </Section>
      <Section title="Take care">
        <ul className="list-disc pl-5 text-[0.9rem]">
          {putUp.cautions.map((caution) => (
            <li key={caution}>{caution}</li>
          ))}
        </ul>
      </Section>
    </>
  );
}
