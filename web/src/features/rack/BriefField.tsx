import { patchAt } from "../../api/patch";
import { Field } from "../../ui/Field";
import { stepped, textAt } from "./patches";
import { useSession, useShown } from "./shown";

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
