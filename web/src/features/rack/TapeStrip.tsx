import { Button } from "../../ui/Button";
import { Fig } from "./Fig";
import type { Session } from "./session";
import { Tape } from "./Tape";
import type { ViewControl } from "./useView";

interface Props {
  session: Session;
  /** The session as the panel shows it: a moment behind while something is dragged. */
  panel: Session;
  control: ViewControl;
  flipped: boolean;
  onFlip: () => void;
  onFigure: (key: string) => void;
}

/** The tape under the wall, with what is counted and how it is stepped off. */
export function TapeStrip({ session, panel, control, flipped, onFlip, onFigure }: Props) {
  const { design } = session;
  return (
    <div className="border-t-2 border-ink bg-paper">
      <div className="flex flex-wrap items-center gap-x-4 px-2 text-[0.87rem]">
        <Button look="bare" aria-pressed={flipped} onClick={onFlip} title="Hook the tape on the other end">
          Tape from the {flipped ? "right" : "left"} end
        </Button>
        <span className="text-soft">
          <Fig session={panel} name="row.count" label="" onFigure={onFigure} /> {design.holders},{" "}
          {design.count - 1} spaces
        </span>
        {design.marks.some((mark) => mark.pinned) ? (
          <Fig session={panel} name="row.uneven" onFigure={onFigure} />
        ) : (
          <>
            <Fig session={panel} name="row.dividers" onFigure={onFigure} />
            <Fig
              session={panel}
              name="row.drift"
              label="stepped off, the last is out by"
              onFigure={onFigure}
            />
          </>
        )}
      </div>
      <Tape design={design} view={control.view} size={control.size} flipped={flipped} onFigure={onFigure} />
    </div>
  );
}
