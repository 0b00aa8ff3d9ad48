import { Button } from "../../ui/Button";
import { useShown } from "./shown";
import type { Fit, ViewControl } from "./useView";
import { t } from "../../messages";

const FITS: [Fit, string][] = [
  ["rack", t("rack.rack")],
  ["wall", t("rack.wall")],
];
const STEP = 1.3;
/** The view that is worked in; the others, a section or a plan, are only looked at. */
export const FRONT = "front";

interface Props {
  control: ViewControl;
  seen: string;
  onSee: (view: string) => void;
}

/** What the wall shows: the rack or the whole wall fitted, nearer, farther. */
export function WallTools({ control, seen, onSee }: Props) {
  const { mode, size, show, zoom } = control;
  const views = useShown((shown) => shown.design.views);
  const step = (factor: number) => zoom(factor, size.width / 2, size.height / 2);
  return (
    <div className="no-print absolute top-2 left-2 flex border border-rule bg-sheet/90">
      {FITS.map(([fit, label]) => (
        <Button
          key={fit}
          look="bare"
          aria-pressed={seen === FRONT && mode === fit}
          className="aria-pressed:font-semibold"
          onClick={() => {
            onSee(FRONT);
            show(fit);
          }}
        >
          {label}
        </Button>
      ))}
      {views.map(({ key, name }) => (
        <Button
          key={key}
          look="bare"
          aria-pressed={seen === key}
          className="aria-pressed:font-semibold"
          onClick={() => {
            onSee(key);
            show("rack");
          }}
        >
          {name}
        </Button>
      ))}
      <Button look="bare" aria-label={t("rack.nearer")} onClick={() => step(STEP)}>
        +
      </Button>
      <Button look="bare" aria-label={t("rack.farther")} onClick={() => step(1 / STEP)}>
        −
      </Button>
    </div>
  );
}
