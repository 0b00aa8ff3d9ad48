import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Link, useNavigate } from "react-router";

import { api, reasonOf } from "../../api/client";
import type { Wall } from "../../api/types";
import { fit } from "../../drawing/view";
import { Button, told } from "../../ui/Button";
import { Scene } from "../../ui/Scene";
import { useSay } from "../../ui/Toasts";
import { t } from "../../messages";

const SIZE = { width: 560, height: 300 };

/** The surveyed walls, each with the racks that hang on it. */
export function Walls() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const say = useSay();
  const walls = useQuery({ queryKey: ["walls"], queryFn: api.walls });
  const bin = useQuery({ queryKey: ["walls", "bin"], queryFn: api.binnedWalls });
  const refresh = () => void queries.invalidateQueries({ queryKey: ["walls"] });
  const fail = (error: unknown) => say(reasonOf(error));
  const make = useMutation({
    mutationFn: () => api.makeWall(t("walls.new-wall")),
    onSuccess: (wall) => {
      refresh();
      void navigate(`/walls/${wall.id}`);
    },
    onError: fail,
  });
  const restore = useMutation({ mutationFn: api.restoreWall, onSuccess: refresh, onError: fail });
  const remove = useMutation({
    mutationFn: (wall: Wall) => api.removeWall(wall.id),
    onSuccess: (_, wall) => {
      refresh();
      say(t("walls.in-bin-its-racks-stay-as", { name: wall.name }), {
        label: t("walls.undo"),
        run: () => restore.mutate(wall.id),
      });
    },
    onError: fail,
  });
  return (
    <section aria-labelledby="walls" className="mt-10 border-t-2 border-ink pt-2">
      <div className="flex items-center gap-3">
        <h2 id="walls" className="flex-1 text-title">
          {t("walls.walls")}{" "}
          <span className="text-plain font-normal text-soft">
            {t("walls.surveyed-once-for-every-rack-on")}
          </span>
        </h2>
        <Button onClick={() => make.mutateAsync().catch(told)}>{t("walls.survey-a-wall")}</Button>
      </div>
      {walls.data?.length === 0 && (
        <p className="py-6 text-soft">{t("walls.none-yet-survey-says-where-studs")}</p>
      )}
      <ul className="grid grid-cols-[repeat(auto-fit,minmax(min(23rem,100%),1fr))]">
        {walls.data?.map((wall) => (
          <li
            key={wall.id}
            className="relative flex flex-col border-b border-rule px-2 pt-4 pb-3 hover:bg-sheet"
          >
            <Small wall={wall} />
            <div className="mt-2 flex items-end gap-2">
              <div className="min-w-0 flex-1">
                <h3 className="truncate text-lead">
                  <Link to={`/walls/${wall.id}`} className="after:absolute after:inset-0">
                    {wall.name}
                  </Link>
                </h3>
                <p className="text-plain text-soft">
                  {wall.racks.length === 0
                    ? t("walls.nothing-on-it-yet")
                    : t("walls.racks-on-it-2", { n: wall.racks.length })}
                </p>
              </div>
              <Button
                look="bare"
                className="relative z-10"
                aria-label={t("walls.put-wall-in-bin", { name: wall.name })}
                onClick={() => remove.mutateAsync(wall).catch(told)}
              >
                {t("walls.bin")}
              </Button>
            </div>
          </li>
        ))}
      </ul>
      {bin.data && bin.data.length > 0 && (
        <details className="mt-3">
          <summary className="cursor-pointer text-soft">
            {t("walls.walls-in-the-bin", { count: bin.data.length })}
          </summary>
          {bin.data.map((wall) => (
            <p key={wall.id} className="flex items-center gap-3 py-1">
              {wall.name}
              <Button
                aria-label={t("walls.restore-the-wall", { name: wall.name })}
                onClick={() => restore.mutateAsync(wall.id).catch(told)}
              >
                {t("walls.restore")}
              </Button>
            </p>
          ))}
        </details>
      )}
    </section>
  );
}

function Small({ wall }: { wall: Wall }) {
  const { scene } = wall.design;
  const view = fit(scene.extent, SIZE, { top: 6, right: 6, bottom: 6, left: 6 });
  return (
    <svg viewBox={`0 0 ${SIZE.width} ${SIZE.height}`} aria-hidden className="w-full max-w-[44rem]">
      <rect
        x={view.tx}
        y={view.ty - scene.extent.y1 * view.scale}
        width={scene.extent.x1 * view.scale}
        height={scene.extent.y1 * view.scale}
        className="fill-wall"
      />
      <g transform={`translate(${view.tx} ${view.ty}) scale(${view.scale} ${-view.scale})`}>
        <Scene scene={scene} scale={view.scale} />
      </g>
    </svg>
  );
}
