import { memo } from "react";
import type { Catalogue } from "../../api/types";
import { Pick } from "../../ui/Pick";
import { Switch } from "../../ui/Switch";
import { BriefField } from "./BriefField";
import { Fig } from "./Fig";
import { RowChoices } from "./RowChoices";
import { Section } from "./Section";
import type { Session } from "./session";

interface Props {
  session: Session;
  catalogue: Catalogue;
  onFigure: (key: string) => void;
}

const OWN = "own";

/** Which catalogue entry the brief's part is, if any: every value of its patch agrees. */
function matching(choices: Catalogue["holders"], part: Record<string, unknown>): string {
  const agrees = (patch: Record<string, unknown>) =>
    Object.entries(patch).every(([key, value]) => part[key] === value);
  return choices.find((choice) => agrees(choice.patch ?? {}))?.key ?? OWN;
}

/** Everything that can be chosen, in the order it is thought of. */
export const Choices = memo(function Choices({ session, catalogue, onFigure }: Props) {
  const { design, apply } = session;
  const brief = design.brief as {
    item: { name: string; plural: string };
    holder: Record<string, unknown> & { kind: "hook" | "peg" };
    board: Record<string, unknown> & { wood: "softwood" | "hardwood" };
  };
  const { holder, board } = brief;
  const ofKind = catalogue.holders.filter((choice) => choice.patch?.["kind"] === holder.kind);
  const holderKey = matching(ofKind, holder);
  const boardKey = matching(catalogue.boards, board);
  const options = (choices: Catalogue["holders"]) =>
    choices.map(({ key, name }) => ({ value: key, label: name }));
  const take = (choices: Catalogue["holders"], part: string) => (key: string) => {
    const choice = choices.find((one) => one.key === key);
    if (choice) apply({ [part]: choice.patch });
  };

  return (
    <>
      <Section
        title="What hangs"
        aside={
          <Pick
            label="What hangs"
            value={catalogue.items.find((item) => item.name === brief.item.name)?.key ?? OWN}
            shown={brief.item.plural}
            options={catalogue.items.map((item) => ({ value: item.key, label: item.plural }))}
            onPick={(key) => {
              const item = catalogue.items.find((one) => one.key === key);
              if (item) apply({ item: item.patch, row: { air: item.air } });
            }}
          />
        }
      >
        <div className="grid grid-cols-2 gap-x-3">
          <BriefField session={session} path="item.width" label="width" />
          <BriefField session={session} path="row.air" label="air" />
        </div>
      </Section>
      <RowChoices session={session} catalogue={catalogue} onFigure={onFigure} />
      <Section
        title="Held by"
        aside={
          <Switch
            label="Held by"
            value={holder.kind}
            options={[
              { value: "hook", label: "hooks" },
              { value: "peg", label: "pegs" },
            ]}
            onPick={(kind) => {
              const first = catalogue.holders.find((choice) => choice.patch?.["kind"] === kind);
              if (first) apply({ holder: first.patch });
            }}
          />
        }
      >
        <Pick
          label="Kind of holder"
          value={holderKey}
          options={[
            ...options(ofKind),
            ...(holderKey === OWN ? [{ value: OWN, label: `${holder.kind} of your own sizes` }] : []),
          ]}
          onPick={take(catalogue.holders, "holder")}
          className="w-full"
        />
        {holder.kind === "peg" ? (
          <>
            <div className="grid grid-cols-2 gap-x-3">
              <BriefField session={session} path="holder.diameter" label="dowel" />
              <BriefField session={session} path="holder.tilt" label="tilt °" />
              <BriefField session={session} path="holder.depth" label="deep" />
              <BriefField session={session} path="holder.showing" label="showing" />
            </div>
            <div className="flex flex-wrap gap-x-4">
              <Fig session={session} name="peg.web" onFigure={onFigure} />
              <Fig session={session} name="peg.cut" label="cut" onFigure={onFigure} />
              <Fig session={session} name="peg.mouth" onFigure={onFigure} />
              <Fig session={session} name="peg.tilt" label="table" onFigure={onFigure} />
            </div>
          </>
        ) : (
          <>
            <div className="grid grid-cols-2 gap-x-3">
              <BriefField session={session} path="holder.plate_width" label="wide" />
              <BriefField session={session} path="holder.plate_height" label="tall" />
              <BriefField session={session} path="holder.screw_length" label="screw" />
              <span className="flex items-baseline justify-between gap-1">
                <span className="text-soft">thick</span>
                <Pick
                  label="Screw thickness"
                  value={String(holder["gauge"])}
                  options={catalogue.gauges.map((gauge) => ({ value: gauge, label: `${gauge} mm` }))}
                  onPick={(gauge) => apply({ holder: { gauge } })}
                />
              </span>
            </div>
            <div className="flex flex-wrap gap-x-4">
              <Fig session={session} name="hook.pilot" onFigure={onFigure} />
              <Fig session={session} name="hook.deep" label="deep" onFigure={onFigure} />
              <Fig session={session} name="hook.back" label="left behind" onFigure={onFigure} />
            </div>
          </>
        )}
      </Section>
      <details className="px-3 pb-1 text-[0.87rem]">
        <summary className="cursor-pointer text-soft">Take care when drilling</summary>
        <ul className="list-disc pl-4">
          {design.cautions.map((caution) => (
            <li key={caution}>{caution}</li>
          ))}
        </ul>
      </details>
      <Section
        title="Board"
        aside={
          <Pick
            label="Board"
            value={boardKey}
            options={[
              ...options(catalogue.boards),
              ...(boardKey === OWN ? [{ value: OWN, label: "as measured" }] : []),
            ]}
            onPick={take(catalogue.boards, "board")}
          />
        }
      >
        <div className="grid grid-cols-2 gap-x-3">
          <BriefField session={session} path="board.height" label="width" />
          <BriefField session={session} path="board.thickness" label="thick" />
          <BriefField session={session} path="hung" label="hung" />
          <Switch
            label="Wood"
            value={board.wood}
            options={[
              { value: "softwood", label: "soft" },
              { value: "hardwood", label: "hard" },
            ]}
            onPick={(wood) => apply({ board: { wood } })}
          />
        </div>
      </Section>
    </>
  );
});
