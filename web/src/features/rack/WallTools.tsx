import { Button } from "../../ui/Button";
import type { Fit, ViewControl } from "./useView";

const FITS: [Fit, string][] = [
  ["rack", "Rack"],
  ["wall", "Wall"],
];
const STEP = 1.3;

/** What the wall shows: the rack or the whole wall fitted, nearer, farther. */
export function WallTools({ control }: { control: ViewControl }) {
  const { mode, size, show, zoom } = control;
  const step = (factor: number) => zoom(factor, size.width / 2, size.height / 2);
  return (
    <div className="no-print absolute top-2 left-2 flex border border-rule bg-sheet/90">
      {FITS.map(([fit, label]) => (
        <Button
          key={fit}
          look="bare"
          aria-pressed={mode === fit}
          className="aria-pressed:font-semibold"
          onClick={() => show(fit)}
        >
          {label}
        </Button>
      ))}
      <Button look="bare" aria-label="Nearer" onClick={() => step(STEP)}>
        +
      </Button>
      <Button look="bare" aria-label="Farther" onClick={() => step(1 / STEP)}>
        −
      </Button>
    </div>
  );
}
