import * as RadioGroup from "radix-ui/radio-group";

import type { Room } from "../../api/types";
import { Measure } from "../../ui/Measure";
import { RackDrawing } from "../../ui/RackDrawing";
import { fitting } from "../../ui/fitting";
import { t } from "../../messages";

const LARGE = { width: 420, height: 150 };
const SMALL = { width: 118, height: 92 };

interface Props {
  rooms: readonly Room[];
  chosen: Room;
  onPick: (how: string) => void;
}

/** The rack as it would be; where not all have room as they are, the ways to have them there, drawn. */
export function Rooms({ rooms, chosen, onPick }: Props) {
  const scale = fitting(
    rooms.map(({ scene }) => scene),
    SMALL,
  );
  return (
    <div className="mt-3 flex flex-col items-center gap-2">
      <RackDrawing scene={chosen.scene} scale={fitting([chosen.scene], LARGE)} />
      {chosen.says && (
        <p className="hand text-center text-plain" aria-live="polite">
          <Measure text={chosen.says} />
        </p>
      )}
      {rooms.length > 1 && (
        <RadioGroup.Root
          aria-label={t("racks.how-they-have-room")}
          value={chosen.how}
          onValueChange={onPick}
          className="flex w-full gap-2 overflow-x-auto p-1"
        >
          {rooms.map(({ how, name, says, scene }) => (
            <RadioGroup.Item
              key={how}
              value={how}
              aria-label={`${name}: ${says}`}
              className="chosen-frame flex min-w-32 flex-1 flex-col items-center justify-end gap-1 border border-edge bg-sheet p-2"
            >
              <RackDrawing scene={scene} scale={scale} />
              <span className="text-small font-semibold">{name}</span>
            </RadioGroup.Item>
          ))}
        </RadioGroup.Root>
      )}
    </div>
  );
}
