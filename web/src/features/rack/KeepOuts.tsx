import type { Catalogue, Design, KeepOut } from "../../api/types";
import { Button } from "../../ui/Button";
import { Field } from "../../ui/Field";
import { Pick, type Option } from "../../ui/Pick";
import { BriefField } from "./BriefField";
import { forgetKeepOutPatch, keepOutPatch, rowOf, stepped } from "./patches";
import { Section } from "./Section";
import { useSession, useShown } from "./shown";
import { t, word } from "../../messages";

const FLAWS: Option<KeepOut["flaw"]>[] = [
  { value: "knot", label: t("rack.knot") },
  { value: "seam", label: t("rack.seam") },
  { value: "screw", label: t("rack.screw") },
  { value: "plate", label: t("rack.stud-plate") },
];

/** Where on the board no holder may stand, and how far one may move by itself to clear it. */
export function KeepOuts({ catalogue }: { catalogue: Catalogue }) {
  const session = useSession();
  const keepouts = useShown((shown) => rowOf(shown.design).keepouts);
  const holder = useShown((shown) => shown.design.holder);
  const add = (flaw: KeepOut["flaw"]) => {
    session.apply((design) => {
      const at = t("rack.mm-2", { length_mm: Math.round(design.length_mm / 2) });
      const usual = catalogue.keepouts.filter((one) => one.flaw === flaw).map((one) => ({ ...one, at }));
      return { row: { keepouts: [...rowOf(design).keepouts, ...usual] } };
    });
  };
  return (
    <Section
      title={t("rack.keep-clear-of")}
      aside={<Pick label={t("rack.add-a-keep-out")} value="" shown="+ add" options={FLAWS} onPick={add} />}
    >
      {keepouts.length === 0 && (
        <p className="text-small text-soft">{t("rack.knots-seams-or-screws-no-holder", { holder })}</p>
      )}
      {keepouts.map((keepout, index) => {
        return (
          <div key={index} className="flex items-center gap-1.5">
            <Pick
              label={t("rack.kind-of-keep-out")}
              value={keepout.flaw}
              options={FLAWS}
              onPick={(flaw) => session.apply((design) => keepOutPatch(design, index, { flaw }))}
              className="w-24"
            />
            {(["at", "width"] as const).map((which) => (
              <KeepOutField key={which} index={index} which={which} />
            ))}
            <Button
              look="bare"
              aria-label={t("rack.forget-the", { flaw: word(keepout.flaw) })}
              onClick={() => session.apply((design) => forgetKeepOutPatch(design, index))}
            >
              ×
            </Button>
          </div>
        );
      })}
      {keepouts.length > 0 && (
        <BriefField path="row.nudge" label={t("rack.holder-may-move-by-itself-up", { holder })} />
      )}
    </Section>
  );
}

function KeepOutField({ index, which }: { index: number; which: "at" | "width" }) {
  const { change, press } = useSession();
  const path = `row.keepouts.${index}.${which}`;
  const value = useShown((shown) => shown.design.fields[path] ?? "");
  const put = (design: Design, text: string) => keepOutPatch(design, index, { [which]: text });
  return (
    <Field
      name={path}
      label={which === "at" ? t("rack.at") : t("rack.wide")}
      value={value}
      onCommit={(text) => change((design) => put(design, text))}
      onStep={(direction) =>
        press(path, direction, (design, by) =>
          put(design, stepped(design.fields[path] ?? "", design.tape.name, by)),
        )
      }
    />
  );
}
