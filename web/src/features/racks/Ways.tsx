import { RadioGroup } from "radix-ui";

import type { Way } from "../../api/types";
import { RackDrawing } from "../../ui/RackDrawing";
import { t } from "../../messages";

interface Props {
  ways: readonly Way[];
  chosen: string;
  onPick: (family: string) => void;
}

const PICTURE = { width: 170, height: 96 };

/** The ways of building that could hold these things, each drawn for them, all at one scale. */
export function Ways({ ways, chosen, onPick }: Props) {
  const extents = ways.map(({ design }) => design.scene.extent);
  const scale = Math.min(
    ...extents.map(({ x0, x1 }) => PICTURE.width / (x1 - x0)),
    ...extents.map(({ y0, y1 }) => PICTURE.height / (y1 - y0)),
  );
  return (
    <RadioGroup.Root
      aria-label={t("racks.how-it-is-built")}
      value={chosen}
      onValueChange={onPick}
      className="mt-2 flex max-w-full gap-3 overflow-x-auto p-1"
    >
      {ways.map(({ family, name, fits, why, design }) => (
        <RadioGroup.Item
          key={family}
          value={family}
          aria-label={`${name}: ${fits}. ${why}`}
          className="flex w-60 shrink-0 flex-col items-center justify-end gap-1 border border-rule bg-sheet px-3 pt-3 pb-2
            data-[state=checked]:border-ink data-[state=checked]:outline-2 data-[state=checked]:outline-ink"
        >
          <RackDrawing scene={design.scene} scale={scale} />
          <span className="flex w-full items-baseline justify-between">
            <span className="font-semibold">{name}</span>
            <span className="hand text-small text-act">{fits}</span>
          </span>
          <span className="w-full text-left text-small text-soft">{why}</span>
        </RadioGroup.Item>
      ))}
    </RadioGroup.Root>
  );
}
