import { patchAt } from "../../api/patch";
import { Field } from "../../ui/Field";
import { negated, stepped, textAt, unsigned } from "./patches";
import { useSession, useShown } from "./shown";
import { t } from "../../messages";

interface Props {
  path: string;
  label: string;
  labelHidden?: boolean;
  italic?: boolean;
  wide?: boolean;
  boxed?: boolean;
  /** It may be left empty; `placeholder` is what it then is. */
  optional?: boolean;
  placeholder?: string;
  className?: string;
}

/** The gap between neighbours; below nothing it is how far they overlap, and is typed as that. */
export function GapField(props: Omit<Props, "path" | "label">) {
  const { change, press } = useSession();
  const gap = useShown(({ design }) => textAt(design, "row.air"));
  const apart = !gap.startsWith("-");
  // One field for both: what is half typed outlasts a change from one to the other.
  return (
    <Field
      name="row.air"
      label={apart ? t("rack.air") : t("rack.overlap")}
      value={apart ? gap : unsigned(gap)}
      onCommit={async (text) => {
        if (apart) return change({ row: { air: text } });
        const said = await change({ row: { air: negated(text) } });
        return said?.replace(negated(text), text) ?? null; // as it was typed
      }}
      onStep={(direction) =>
        press(`row.air ${apart}`, direction, (design, by) => ({
          row: { air: stepped(textAt(design, "row.air"), design.tape.name, apart ? by : -by) },
        }))
      }
      {...props}
    />
  );
}

/** A length or count of the brief, by its path: typed in any unit, stepped by the arrows. */
export function BriefField({ path, optional = false, placeholder = "", ...rest }: Props) {
  const { change, press } = useSession();
  const value = useShown(({ design }) => textAt(design, path, placeholder));
  const onStep = (direction: 1 | -1) =>
    press(path, direction, (design, by) =>
      patchAt(path, stepped(textAt(design, path, placeholder), design.tape.name, by)),
    );
  return (
    <Field
      name={path}
      value={value}
      onCommit={(text) => change(patchAt(path, optional && !text.trim() ? null : text))}
      onStep={onStep}
      {...rest}
    />
  );
}
