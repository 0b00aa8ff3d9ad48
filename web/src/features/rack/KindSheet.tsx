import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { api, reasonOf } from "../../api/client";
import { patchAt } from "../../api/patch";
import type { Catalogue } from "../../api/types";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { Pick } from "../../ui/Pick";
import { useSay } from "../../ui/Toasts";
import { HowToMeasure, MEASURES, TAKES, type Measured } from "../items/MeasureFigure";
import { BriefField } from "./BriefField";
import { MAIN } from "./patches";
import { useSession, useShown } from "./shown";
import { t, word } from "../../messages";

interface Props {
  kind: string;
  catalogue: Catalogue;
  onClose: () => void;
}

/** One kind of thing on this rack, measured; the rack behind follows every figure. */
export function KindSheet({ kind, catalogue, onClose }: Props) {
  const session = useSession();
  const queries = useQueryClient();
  const say = useSay();
  const [lit, setLit] = useState<Measured | null>(null);
  const path = kind === MAIN ? "item" : `others.${kind}`;
  const item = useShown(({ design }) => (kind === MAIN ? design.brief.item : design.brief.others[kind]));
  const measures = useShown((shown) => shown.design.kinds[kind]);
  const symbols = useShown((shown) => shown.design.scene.symbols);
  const strokes = symbols.find(
    (one) => one.key.split(".")[1] === kind && !one.key.endsWith(".spare"),
  )?.strokes;
  if (!item || !measures) return null;

  async function keep() {
    const like = catalogue.items.find((one) => one.key === item?.listed);
    const own = Object.fromEntries(
      Object.entries(item ?? {}).flatMap(([column, value]) =>
        value === null || column === "listed" ? [] : [[column, String(value)]],
      ),
    );
    try {
      const kept = await api.keepItem(like?.key ?? null, { ...like?.columns, ...own }, "mm");
      void queries.invalidateQueries({ queryKey: ["catalogue"] });
      session.apply({
        [path.split(".")[0] ?? ""]: kind === MAIN ? kept.item.patch : { [kind]: kept.item.patch },
      });
      say(t("rack.kept-among-your-own-things", { name: kept.item.name }));
    } catch (error) {
      say(reasonOf(error));
    }
  }

  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={String(item["plural"])} wide>
      <div className="flex flex-wrap gap-6">
        <HowToMeasure strokes={strokes ?? []} measures={measures} lit={lit} />
        <div className="w-80 grow">
          {MEASURES.map((measure) => (
            <div key={measure} onFocus={() => setLit(measure)} onBlur={() => setLit(null)}>
              <BriefField
                path={`${path}.${measure}`}
                label={word(measure)}
                wide
                optional={measure === "held"}
              />
            </div>
          ))}
          <BriefField path={`${path}.weight_g`} label={t("rack.weight")} wide />
          <BriefField
            path={`${path}.full_g`}
            label={t("rack.wet-or-full")}
            wide
            optional
            placeholder={String(item["weight_g"])}
          />
          <BriefField
            path={`${path}.tug_n`}
            label={t("rack.a-hand-pulls-with")}
            wide
            optional
            placeholder={t("rack.by-its-size")}
          />
          <div className="flex items-center justify-between">
            <span className="text-soft">{t("rack.hangs-on")}</span>
            <Pick
              label={t("rack.hangs-on-2")}
              value={String(item["takes"])}
              options={TAKES}
              onPick={(takes) => session.apply(patchAt(path, { takes }))}
            />
          </div>
          {item["takes"] === "bridge" && (
            <BriefField path={`${path}.span`} label={t("rack.its-holders-apart-if-fixed")} wide />
          )}
          <div className="mt-3 flex flex-wrap gap-2">
            <Button onClick={() => keep()}>{t("rack.keep-for-other-racks")}</Button>
          </div>
        </div>
      </div>
    </Dialog>
  );
}
