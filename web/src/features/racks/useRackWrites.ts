import { useQueryClient } from "@tanstack/react-query";

import { api, reasonOf } from "../../api/client";
import type { Filed, RackListed } from "../../api/types";
import { useSay } from "../../ui/Toasts";
import { t } from "../../messages";

const idsOf = (racks: readonly RackListed[]) => racks.map(({ id }) => id);
/** What is said of them: one by its name. */
const named = (racks: readonly RackListed[]) =>
  racks.length === 1 && racks[0] ? `“${racks[0].name}”` : t("racks.so-many-racks", { n: racks.length });

/** What is done with racks on the first page: each is said, and can be taken back. */
export function useRackWrites() {
  const queries = useQueryClient();
  const say = useSay();
  async function tried(work: () => Promise<unknown>) {
    try {
      await work();
    } catch (error) {
      say(reasonOf(error));
    }
    await Promise.all(["racks", "walls"].map((key) => queries.invalidateQueries({ queryKey: [key] })));
  }

  const undoable = (text: string, back: () => Promise<unknown>) =>
    say(text, { label: t("racks.undo"), run: () => void tried(back) });

  /** Racks on one wall are in each other's way. */
  const redraw = () => void queries.invalidateQueries({ queryKey: ["drawn"] });

  const file = (
    racks: readonly RackListed[],
    kept: (filed: Filed) => Filed,
    text: (which: string, n: number) => string,
  ) =>
    tried(async () => {
      const was = await api.file(Object.fromEntries(racks.map((rack) => [rack.id, kept(rack.filed)])));
      undoable(text(named(racks), racks.length), () => api.file(was.racks));
    });

  return {
    /** Keeps each by the tags that `change` makes of its own. */
    tag: (
      racks: readonly RackListed[],
      change: (tags: string[]) => string[],
      text: (which: string) => string,
    ) => file(racks, (filed) => ({ ...filed, tags: change(filed.tags) }), text),
    favour: (racks: readonly RackListed[], favourite: boolean) =>
      file(
        racks,
        (filed) => ({ ...filed, favourite }),
        (which, n) =>
          favourite
            ? t("racks.is-a-favourite", { which, n })
            : t("racks.no-favourite-any-more", { which, n }),
      ),
    finish: (racks: readonly RackListed[], done: boolean) =>
      file(
        racks,
        (filed) => ({ ...filed, done }),
        (which, n) => (done ? t("racks.is-done", { which, n }) : t("racks.is-not-done", { which, n })),
      ),
    bin: (racks: readonly RackListed[]) =>
      tried(async () => {
        await api.putInBin(idsOf(racks), true);
        undoable(t("racks.is-in-the-bin", { n: racks.length, which: named(racks) }), () =>
          api.putInBin(idsOf(racks), false),
        );
      }),
    restore: (rack: RackListed) => tried(() => api.putInBin([rack.id], false)),
    hang: (racks: readonly RackListed[], wall: { id: string; name: string } | null) =>
      tried(async () => {
        const moved = await api.hang(idsOf(racks), wall?.id ?? null);
        redraw();
        const ids = new Set(Object.keys(moved.racks));
        const which = named(racks.filter(({ id }) => ids.has(id)));
        if (!ids.size) return say(t("racks.are-there-already"));
        undoable(
          wall ? t("racks.hang-on", { which, wall: wall.name }) : t("racks.hang-on-no-wall", { which }),
          () => api.hangBack(moved).then(redraw),
        );
      }),
    copy: (rack: RackListed) => tried(() => api.copy(rack.id)),
    openZip: (file: File) =>
      tried(async () => {
        const opened = await api.openZip(file);
        undoable(t("racks.racks-opened", { n: opened.length }), () => api.putInBin(opened, true));
      }),
  };
}

export type RackWrites = ReturnType<typeof useRackWrites>;
