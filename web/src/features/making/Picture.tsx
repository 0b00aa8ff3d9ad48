import type { CutStick, Scene as SceneData, Task } from "../../api/types";
import { RackDrawing } from "../../ui/RackDrawing";
import { Scene } from "../../ui/Scene";
import { useWidth } from "../../ui/useWidth";
import { StickDrawing } from "../timber/StickDrawing";
import { Bite } from "./Bite";
import { MarkedBoard } from "./MarkedBoard";

interface Props {
  task: Task;
  /** The rack from the front, on its wall. */
  scene: SceneData;
  /** A rack is drawn so tall at most, px. */
  tall?: number;
  /** Where a card has no picture of its own, the rack is. */
  always?: boolean;
}

const WHOLE = { kind: "rack" } as const;

/** What a card shows beside its words, as wide as there is room. */
export function Picture({ task, scene, tall = 260, always = false }: Props) {
  const [frame, width] = useWidth<HTMLDivElement>();
  return (
    <div ref={frame} className="my-1.5 overflow-hidden">
      <Drawn task={task} scene={scene} tall={tall} always={always} width={width} />
    </div>
  );
}

function Drawn({ task, scene, tall, always, width }: Required<Props> & { width: number }) {
  const picture = task.picture ?? (always ? WHOLE : null);
  if (!picture) return null;
  if (picture.kind === "marked") return <MarkedBoard lines={task.lines} board={picture} />;
  if (picture.kind === "bite") return <Bite bite={picture} />;
  if (picture.kind === "cuts") {
    const stick = atHand(task, picture.sticks);
    return stick && <StickDrawing stick={stick} scale={(width - 8) / stick.long_mm} />;
  }
  const box = picture.kind === "wall" ? scene.wall : scene.extent;
  const scale = Math.min((width - 8) / (box.x1 - box.x0), tall / (box.y1 - box.y0));
  if (picture.kind === "rack") return <RackDrawing scene={scene} scale={scale} />;
  return (
    <svg
      width={(box.x1 - box.x0) * scale}
      height={(box.y1 - box.y0) * scale}
      className="max-w-full overflow-hidden"
      aria-hidden
    >
      <g transform={`translate(${-box.x0 * scale} ${box.y1 * scale}) scale(${scale} ${-scale})`}>
        <Scene scene={scene} scale={scale} />
      </g>
    </svg>
  );
}

/** The stick that is at hand: the one that the next line is about; the last one when all is cut. */
export function atHand(task: Pick<Task, "lines">, sticks: CutStick[]): CutStick | undefined {
  let line = task.lines.findIndex(({ done }) => !done);
  if (line < 0) return sticks.at(-1);
  return sticks.find((stick) => (line -= 1 + stick.order.length) < 0);
}
