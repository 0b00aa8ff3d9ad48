import { useQueryClient } from "@tanstack/react-query";

import { api, reasonOf } from "../../api/client";
import type { RackListed, Refiling } from "../../api/types";
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
  /** Does it, and shows what came of it: then it can be said, and taken back. Null where it could not be done. */
  async function tried<Answer>(work: () => Promise<Answer>): Promise<{ answer: Answer } | null> {
    const done = await work().then(
      (answer) => ({ answer }),
      (error: unknown) => void say(reasonOf(error)),
    );
    await Promise.all(["racks", "walls"].map((key) => queries.invalidateQueries({ queryKey: [key] })));
    return done ?? null;
  }

  const undoable = (text: string, back: () => Promise<unknown>) =>
    say(text, { label: t("racks.undo"), run: () => void tried(back) });

  /** Racks on one wall are in each other's way. */
  const redraw = () => void queries.invalidateQueries({ queryKey: ["drawn"] });

  async function file(
    racks: readonly RackListed[],
    change: Refiling,
    text: (which: string, n: number) => string,
  ) {
    const done = await tried(() => api.file(Object.fromEntries(racks.map(({ id }) => [id, change]))));
    if (done) undoable(text(named(racks), racks.length), () => api.file(done.answer.racks));
  }

  return {
    tag: (racks: readonly RackListed[], tag: string) =>
      file(racks, { tag }, (which) => t("racks.tagged", { which, tag })),
    untag: (racks: readonly RackListed[], untag: string) =>
      file(racks, { untag }, (which) => t("racks.tag-taken-off", { which, tag: untag })),
    favour: (racks: readonly RackListed[], favourite: boolean) =>
      file(racks, { favourite }, (which, n) =>
        favourite ? t("racks.is-a-favourite", { which, n }) : t("racks.no-favourite-any-more", { which, n }),
      ),
    finish: (racks: readonly RackListed[], done: boolean) =>
      file(racks, { done }, (which, n) =>
        done ? t("racks.is-done", { which, n }) : t("racks.is-not-done", { which, n }),
      ),
    async bin(racks: readonly RackListed[]) {
      const ids = idsOf(racks);
      if (!(await tried(() => api.putInBin(ids, true)))) return;
      undoable(t("racks.is-in-the-bin", { n: racks.length, which: named(racks) }), () =>
        api.putInBin(ids, false),
      );
    },
    restore: (rack: RackListed) => tried(() => api.putInBin([rack.id], false)),
    async hang(racks: readonly RackListed[], wall: { id: string; name: string } | null) {
      const done = await tried(() => api.hang(idsOf(racks), wall?.id ?? null));
      if (!done) return;
      redraw();
      const moved = racks.filter(({ id }) => id in done.answer.racks);
      const which = named(moved);
      if (!moved.length) say(t("racks.are-there-already"));
      else
        undoable(
          wall ? t("racks.hang-on", { which, wall: wall.name }) : t("racks.hang-on-no-wall", { which }),
          () => api.hangBack(done.answer).then(redraw),
        );
    },
    copy: (rack: RackListed) => tried(() => api.copy(rack.id)),
    async openZip(file: File) {
      const done = await tried(() => api.openZip(file));
      if (done)
        undoable(t("racks.racks-opened", { n: done.answer.length }), () => api.putInBin(done.answer, true));
    },
  };
}

export type RackWrites = ReturnType<typeof useRackWrites>;
