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
import { t } from "../../messages";

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

const NAMES = { hook: "hook", peg: "peg", bent: t("rack.bent-hook"), bolt: t("rack.lag-bolt") };

function HolderChoices({ catalogue }: Props) {
  const { apply } = useSession();
  const holder = useShown(({ design: { brief } }) => ("holder" in brief ? brief.holder : null));
  if (!holder) return null;
  const ofKind = catalogue.holders.filter((choice) => choice.patch?.["kind"] === holder.kind);
  const holderKey = matching(ofKind, holder);
  return (
    <Section
      title={t("rack.held-by")}
      aside={
        <Switch
          label={t("rack.held-by")}
          value={holder.kind}
          options={[
            { value: "hook", label: t("rack.hooks") },
            { value: "peg", label: t("rack.pegs") },
            { value: "bent", label: t("rack.bent") },
            { value: "bolt", label: t("rack.bolts") },
          ]}
          onPick={(kind) => {
            const first = catalogue.holders.find((choice) => choice.patch?.["kind"] === kind);
            if (first) apply({ holder: first.patch });
          }}
        />
      }
    >
      <Pick
        label={t("rack.kind-of-holder")}
        value={holderKey}
        options={[
          ...options(ofKind),
          ...(holderKey === OWN
            ? [
                {
                  value: OWN,
                  label: t("rack.of-your-own-sizes", { NAMES: NAMES[holder.kind] }),
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
            <BriefField path="holder.diameter" label={t("rack.dowel")} />
            <BriefField path="holder.tilt" label={t("rack.tilt")} />
            <BriefField path="holder.depth" label={t("rack.deep")} />
            <BriefField path="holder.showing" label={t("rack.showing")} />
          </div>
          <div className="flex flex-wrap gap-x-4">
            <Fig name="peg.web" />
            <Fig name="peg.cut" label={t("rack.cut")} />
            <Fig name="peg.mouth" />
            <Fig name="peg.tilt" label={t("rack.table")} />
          </div>
        </>
      ) : (
        <>
          <div className="grid grid-cols-2 gap-x-3">
            <BriefField path="holder.plate_width" label={t("rack.wide")} />
            <BriefField path="holder.plate_height" label={t("rack.tall")} />
            <BriefField path="holder.screw_length" label={t("rack.screw")} />
            <span className="flex items-baseline justify-between gap-1">
              <span className="text-soft">{t("rack.thick")}</span>
              <Pick
                label={t("rack.screw-thickness")}
                value={holder.gauge}
                options={catalogue.gauges.map(({ key, name }) => ({ value: key, label: name }))}
                onPick={(gauge) => apply({ holder: { gauge } })}
              />
            </span>
          </div>
          <div className="flex flex-wrap gap-x-4">
            <Fig name="hook.pilot" />
            <Fig name="hook.deep" label={t("rack.deep")} />
            <Fig name="hook.back" label={t("rack.left-behind")} />
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
      title={t("rack.board")}
      aside={
        <Pick
          label={t("rack.board")}
          value={boardKey}
          options={[
            ...options(catalogue.boards),
            ...(boardKey === OWN ? [{ value: OWN, label: t("rack.as-measured") }] : []),
          ]}
          onPick={(key) => apply({ board: catalogue.boards.find((one) => one.key === key)?.patch })}
        />
      }
    >
      <div className="grid grid-cols-2 gap-x-3">
        <BriefField path="board.height" label={t("rack.width")} />
        <BriefField path="board.thickness" label={t("rack.thick")} />
        <BriefField path="hung" label={up ? t("rack.foot-at") : t("rack.hung")} />
        <Switch
          label={t("rack.wood")}
          value={board.wood}
          options={[
            { value: "softwood", label: t("rack.soft") },
            { value: "hardwood", label: t("rack.hard") },
          ]}
          onPick={(wood) => apply({ board: { wood } })}
        />
      </div>
    </Section>
  );
}
