import { Button } from "../../ui/Button";
import { Field } from "../../ui/Field";
import { Pick } from "../../ui/Pick";
import { BriefField } from "./BriefField";
import { forgetKeepOutPatch, keepOutPatch, rowOf, type KeepOut } from "./patches";
import { Section } from "./Section";
import { useSession, useShown } from "./shown";

const FLAWS = [
  { value: "knot", label: "knot" },
  { value: "seam", label: "seam" },
  { value: "screw", label: "screw" },
  { value: "plate", label: "stud plate" },
];
const USUAL: Record<string, string> = { knot: "25 mm", seam: "10 mm", screw: "8 mm", plate: "40 mm" };

/** Where on the board no holder may stand, and how far one may move by itself to clear it. */
export function KeepOuts() {
  const session = useSession();
  const keepouts = useShown((shown) => rowOf(shown.design).keepouts);
  const add = (flaw: string) => {
    const at = `${Math.round(session.rack.design.length_mm / 2)} mm`;
    session.apply({ row: { keepouts: [...keepouts, { flaw, at, width: USUAL[flaw] ?? "25 mm" }] } });
  };
  return (
    <Section
      title="Keep clear of"
      aside={<Pick label="Add a keep-out" value="" shown="+ add" options={FLAWS} onPick={add} />}
    >
      {keepouts.length === 0 && (
        <p className="text-[0.87rem] text-soft">Knots, seams or screws that no holder should land on.</p>
      )}
      {keepouts.map((keepout, index) => {
        const change = (changes: Partial<KeepOut>) => keepOutPatch(session.rack.design, index, changes);
        return (
          <div key={index} className="flex items-center gap-1.5">
            <Pick
              label="Kind of keep-out"
              value={keepout.flaw}
              options={FLAWS}
              onPick={(flaw) => session.apply(change({ flaw }))}
              className="w-24"
            />
            {(["at", "width"] as const).map((which) => (
              <KeepOutField
                key={which}
                index={index}
                which={which}
                onChange={(text) => change({ [which]: text })}
              />
            ))}
            <Button
              look="bare"
              aria-label={`Forget the ${keepout.flaw}`}
              onClick={() => session.apply(forgetKeepOutPatch(session.rack.design, index))}
            >
              ×
            </Button>
          </div>
        );
      })}
      {keepouts.length > 0 && <BriefField path="row.nudge" label="a holder may move by itself up to" />}
    </Section>
  );
}

interface KeepOutFieldProps {
  index: number;
  which: "at" | "width";
  onChange: (text: string) => Record<string, unknown>;
}

function KeepOutField({ index, which, onChange }: KeepOutFieldProps) {
  const { change, apply } = useSession();
  const value = useShown((shown) => shown.design.fields[`row.keepouts.${index}.${which}`] ?? "");
  const step = useShown((shown) => shown.design.tape.name);
  return (
    <Field
      label={which === "at" ? "at" : "wide"}
      value={value}
      onCommit={(text) => change(onChange(text))}
      onStep={(by) => apply(onChange(`${value} ${by > 0 ? "+" : "-"} ${step}`))}
    />
  );
}
