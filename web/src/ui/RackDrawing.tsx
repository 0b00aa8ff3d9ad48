import type { Scene as SceneData } from "../api/types";
import { Scene } from "./Scene";

interface Props {
  scene: SceneData;
  /** Pixels per mm: the same for all that are compared. */
  scale: number;
  pad?: number;
}

/** A rack with what hangs on it, without its wall, at a given scale. */
export function RackDrawing({ scene, scale, pad = 4 }: Props) {
  const { x0, y0, x1, y1 } = scene.extent;
  return (
    <svg
      width={(x1 - x0) * scale + 2 * pad}
      height={(y1 - y0) * scale + 2 * pad}
      aria-hidden
      className="max-w-full overflow-visible"
    >
      <g transform={`translate(${pad - x0 * scale} ${pad + y1 * scale}) scale(${scale} ${-scale})`}>
        <Scene scene={scene} scale={scale} bare />
      </g>
    </svg>
  );
}
