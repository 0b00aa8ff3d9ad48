import type { Catalogue } from "../../api/types";
import { Pick } from "../../ui/Pick";
import { Switch } from "../../ui/Switch";
import { BriefField } from "./BriefField";
import { FamilyChoices } from "./FamilyChoices";
import { Fig } from "./Fig";
import { Hanging } from "./Hanging";
import { KeepOuts } from "./KeepOuts";
import { Ladder } from "./Ladder";
import { Machining } from "./Machining";
import { RowChoices } from "./RowChoices";
import { RowsChoices, SecondRow } from "./RowsChoices";
import { Section } from "./Section";
import { matching, options, OWN } from "./listed";
import { useSession, useShown } from "./shown";
import { Way } from "./Way";

interface Props {
  catalogue: Catalogue;
}

/** Everything that can be chosen, in the order it is thought of. */
export function Choices({ catalogue }: Props) {
  const holds = useShown((shown) => "holder" in shown.design.brief);
  const several = useShown((shown) => shown.design.several);
  return (
    <>
      <Way />
      <Hanging catalogue={catalogue} />
      <RowChoices catalogue={catalogue} />
      <Ladder />
      {several === "two" && <SecondRow />}
      {(several === "several" || several === "boards") && <RowsChoices holders={catalogue.holders} />}
      {holds && <HolderChoices catalogue={catalogue} />}
      <FamilyChoices />
      <BoardChoices catalogue={catalogue} />
      <KeepOuts catalogue={catalogue} />
      <Machining />
    </>
  );
}

const NAMES = { hook: "hook", peg: "peg", bent: "bent hook", bolt: "lag bolt" };

function HolderChoices({ catalogue }: Props) {
  const { apply } = useSession();
  const holder = useShown(({ design: { brief } }) => ("holder" in brief ? brief.holder : null));
  if (!holder) return null;
  const ofKind = catalogue.holders.filter((choice) => choice.patch?.["kind"] === holder.kind);
  const holderKey = matching(ofKind, holder);
  return (
    <Section
      title="Held by"
      aside={
        <Switch
          label="Held by"
          value={holder.kind}
          options={[
            { value: "hook", label: "hooks" },
            { value: "peg", label: "pegs" },
            { value: "bent", label: "bent" },
            { value: "bolt", label: "bolts" },
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
          ...(holderKey === OWN
            ? [
                {
                  value: OWN,
                  label: `${NAMES[holder.kind]} of your own sizes`,
                },
              ]
            : []),
        ]}
        onPick={(key) => apply({ holder: ofKind.find((one) => one.key === key)?.patch })}
        className="w-full"
      />
      {holder.kind === "bent" || holder.kind === "bolt" ? null : holder.kind === "peg" ? (
        <>
          <div className="grid grid-cols-2 gap-x-3">
            <BriefField path="holder.diameter" label="dowel" />
            <BriefField path="holder.tilt" label="tilt °" />
            <BriefField path="holder.depth" label="deep" />
            <BriefField path="holder.showing" label="showing" />
          </div>
          <div className="flex flex-wrap gap-x-4">
            <Fig name="peg.web" />
            <Fig name="peg.cut" label="cut" />
            <Fig name="peg.mouth" />
            <Fig name="peg.tilt" label="table" />
          </div>
        </>
      ) : (
        <>
          <div className="grid grid-cols-2 gap-x-3">
            <BriefField path="holder.plate_width" label="wide" />
            <BriefField path="holder.plate_height" label="tall" />
            <BriefField path="holder.screw_length" label="screw" />
            <span className="flex items-baseline justify-between gap-1">
              <span className="text-soft">thick</span>
              <Pick
                label="Screw thickness"
                value={holder.gauge}
                options={catalogue.gauges.map((gauge) => ({ value: gauge, label: `${gauge} mm` }))}
                onPick={(gauge) => apply({ holder: { gauge } })}
              />
            </span>
          </div>
          <div className="flex flex-wrap gap-x-4">
            <Fig name="hook.pilot" />
            <Fig name="hook.deep" label="deep" />
            <Fig name="hook.back" label="left behind" />
          </div>
        </>
      )}
    </Section>
  );
}

function BoardChoices({ catalogue }: Props) {
  const { apply } = useSession();
  const board = useShown((shown) => shown.design.brief.board);
  const up = useShown((shown) => shown.design.up);
  const boardKey = matching(catalogue.boards, board);
  return (
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
          onPick={(key) => apply({ board: catalogue.boards.find((one) => one.key === key)?.patch })}
        />
      }
    >
      <div className="grid grid-cols-2 gap-x-3">
        <BriefField path="board.height" label="width" />
        <BriefField path="board.thickness" label="thick" />
        <BriefField path="hung" label={up ? "foot at" : "hung"} />
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
  );
}
