import { memo } from "react";

import { fit } from "../../drawing/view";
import { Measure } from "../../ui/Measure";
import { Scene } from "../../ui/Scene";
import { useShown } from "./shown";
import { t } from "../../messages";

const SIZE = { width: 148, height: 104 };

/** The whole wall, small, with a person for size; a click shows it large. */
export const KeyPlan = memo(function KeyPlan({ onShow }: { onShow: () => void }) {
  const scene = useShown((shown) => shown.rack.design.scene);
  const hung = useShown((shown) => shown.design.fields["hung"] ?? "");
  const view = fit(scene.wall, SIZE, { top: 4, right: 4, bottom: 6, left: 4 });
  return (
    <button
      type="button"
      className="absolute right-2 bottom-2 hidden border border-rule bg-sheet/90 text-left hover:border-ink md:block"
      onClick={onShow}
      aria-label={t("rack.up-show-the-whole-wall", { hung })}
    >
      <svg width={SIZE.width} height={SIZE.height} aria-hidden className="block">
        <g
          transform={`translate(${view.tx} ${view.ty}) scale(${view.scale} ${-view.scale})`}
          className="plain"
        >
          <Scene scene={scene} scale={view.scale} />
        </g>
      </svg>
      <span className="hand block px-1.5 pb-0.5 text-fine text-soft">
        <Measure text={hung} /> {t("rack.up")}
      </span>
    </button>
  );
});
