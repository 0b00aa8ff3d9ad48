import { Field } from "../../ui/Field";
import { patchAt } from "./patches";
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
  const { apply, change } = useSession();
  const value = useShown(({ design }) => design.fields[path] ?? (plain(design.brief, path) || placeholder));
  const step = useShown(({ design }) => design.tape.name);
  const counts = !/[a-z]/.test(value);

  function onStep(direction: 1 | -1) {
    const next = counts ? String(Number(value) + direction) : `${value} ${direction > 0 ? "+" : "-"} ${step}`;
    apply(patchAt(path, next));
  }
  return (
    <Field
      value={value}
      onCommit={(text) => change(patchAt(path, optional && !text.trim() ? null : text))}
      onStep={onStep}
      {...rest}
    />
  );
}

function plain(brief: Record<string, unknown>, path: string): string {
  const value = path
    .split(".")
    .reduce<unknown>((at, key) => (at as Record<string, unknown> | null)?.[key], brief);
  return typeof value === "number" || typeof value === "string" ? String(value) : "";
}
