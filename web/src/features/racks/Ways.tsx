import * as RadioGroup from "radix-ui/radio-group";

import type { Way } from "../../api/types";
import { RackDrawing } from "../../ui/RackDrawing";
import { fitting } from "../../ui/fitting";
import { t } from "../../messages";

interface Props {
  ways: readonly Way[];
  chosen: Way;
  onPick: (family: string) => void;
}

const PICTURE = { width: 104, height: 72 };

/** The ways of building that could hold these things, each drawn for them, all at one scale. */
export function Ways({ ways, chosen, onPick }: Props) {
  const drawn = ways.flatMap(({ rooms: [best], ...way }) => (best ? [{ ...way, scene: best.scene }] : []));
  const scale = fitting(
    drawn.map(({ scene }) => scene),
    PICTURE,
  );
  return (
    <div className="mt-3">
      <p className="text-plain">
        <span className="text-soft">{t("racks.how-it-is-built")}: </span>
        <span className="font-semibold">{chosen.name}.</span> {chosen.why}
      </p>
      <RadioGroup.Root
        aria-label={t("racks.how-it-is-built")}
        value={chosen.family}
        onValueChange={onPick}
        className="mt-1 flex max-w-full gap-2 overflow-x-auto p-1"
      >
        {drawn.map(({ family, name, fits, why, scene }) => (
          <RadioGroup.Item
            key={family}
            value={family}
            aria-label={`${name}: ${fits}. ${why}`}
            className="chosen-frame flex w-32 shrink-0 flex-col items-center justify-end gap-0.5 border border-edge bg-sheet px-2 pt-2 pb-1.5"
          >
            <RackDrawing scene={scene} scale={scale} pad={2} />
            <span className="text-small font-semibold">{name}</span>
            <span className="hand text-fine text-act">{fits}</span>
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
    </div>
  );
}
