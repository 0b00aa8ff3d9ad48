import { patchAt, valueAt } from "../../api/patch";
import type { ChoiceField } from "../../api/types";
import { Pick } from "../../ui/Pick";
import { BriefField } from "./BriefField";
import { Fig } from "./Fig";
import { Section } from "./Section";
import { useSession, useShown } from "./shown";

/** The choices that this way of building alone has, as the core names them. */
export function FamilyChoices() {
  const sections = useShown((shown) => shown.design.choices);
  return sections.map(({ title, fields, figures }) => (
    <Section key={title} title={title}>
      <div className="grid grid-cols-2 gap-x-4">
        {fields.map((field) =>
          field.options.length ? (
            <PickField key={field.path} field={field} />
          ) : (
            <FigureField key={field.path} field={field} />
          ),
        )}
      </div>
      <div className="flex flex-wrap gap-x-4">
        {figures.map((name) => (
          <Fig key={name} name={name} />
        ))}
      </div>
    </Section>
  ));
}

function PickField({ field }: { field: ChoiceField }) {
  const { apply } = useSession();
  const value = useShown(({ design }) => valueAt(design.brief, field.path));
  return (
    <span className="col-span-2 flex items-baseline justify-between gap-1">
      <span className="text-soft">{field.label}</span>
      <Pick
        label={field.label}
        value={String(value)}
        options={field.options.map(({ value, name, why }) => ({ value, label: name, why }))}
        onPick={(picked) => apply(patchAt(field.path, picked))}
      />
    </span>
  );
}

function FigureField({ field }: { field: ChoiceField }) {
  const follows = useShown(({ design }) => design.figures[field.figure]?.text ?? "");
  return (
    <BriefField path={field.path} label={field.label} optional={field.figure !== ""} placeholder={follows} />
  );
}
