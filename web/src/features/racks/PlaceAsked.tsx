import { useQuery } from "@tanstack/react-query";

import { api, reasonOf } from "../../api/client";
import { useTape } from "../../api/useSettings";
import { Field } from "../../ui/Field";
import { unitOf } from "../../ui/measures";
import { Pick } from "../../ui/Pick";
import { t } from "../../messages";

interface Props {
  width: string | null;
  wall: string | null;
  /** Rejects a width that cannot be read. */
  onWidth: (width: string | null) => Promise<void>;
  onWall: (id: string) => void;
}

const BARE = /^[\d\s.,/]+$/;

/** Where it is for: a place so wide, or a wall that is known; neither has to be said. */
export function PlaceAsked({ width, wall, onWidth, onWall }: Props) {
  const walls = useQuery({ queryKey: ["walls"], queryFn: api.walls }).data ?? [];
  const unit = unitOf(useTape());

  async function commit(text: string): Promise<string | null> {
    // Another tape would read a bare number as another width.
    const said = BARE.test(text) && text ? `${text} ${unit}` : text || null;
    try {
      await onWidth(said);
      return null;
    } catch (error) {
      return reasonOf(error);
    }
  }
  return (
    <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1 text-plain">
      {!wall && (
        <Field
          name="width"
          label={t("racks.how-wide-is-the-place")}
          value={width ?? ""}
          placeholder={t("racks.as-wide-as-it-needs")}
          onCommit={commit}
          bordered
        />
      )}
      {walls.length > 0 && (
        <span className="flex items-center">
          <span className="text-soft">{t("racks.on")}</span>
          <Pick
            label={t("racks.on-which-wall")}
            value={wall ?? ""}
            options={[
              { value: "", label: t("racks.no-wall-yet"), why: t("racks.becomes-as-long-as-what-hangs") },
              ...walls.map(({ id, name }) => ({ value: id, label: name })),
            ]}
            onPick={onWall}
          />
        </span>
      )}
    </div>
  );
}
