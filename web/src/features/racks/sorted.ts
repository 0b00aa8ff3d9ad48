import type { RackListed } from "../../api/types";

export type Order = "changed" | "name";
export type Which = "all" | "open" | "done" | "favourite";

/** What of the racks is looked at. */
export interface Wanted {
  words: string;
  which: Which;
  /** All of which they are kept by. */
  tags: readonly string[];
  order: Order;
  byWall: boolean;
}

export interface Group {
  /** The wall that they are on; null where they are not grouped, "" for none. */
  wall: string | null;
  racks: RackListed[];
}

const plain = (text: string) => text.toLowerCase();

/** The tags that racks are kept by, as often as they are, in their order. */
export function tagsOf(racks: readonly RackListed[]): [string, number][] {
  const found = new Map<string, number>();
  for (const tag of racks.flatMap(({ filed }) => filed.tags)) found.set(tag, (found.get(tag) ?? 0) + 1);
  return [...found].toSorted(([a], [b]) => a.localeCompare(b, undefined, { numeric: true }));
}

const KEPT: Record<Which, (rack: RackListed) => boolean> = {
  all: () => true,
  open: ({ filed }) => !filed.done,
  done: ({ filed }) => filed.done,
  favourite: ({ filed }) => filed.favourite,
};

/** The racks that have all the words in their name, their things, their wall or their tags, favourites first. */
export function grouped(
  racks: readonly RackListed[],
  { words, which, tags, order, byWall }: Wanted,
): Group[] {
  const wanted = plain(words).split(/\s+/).filter(Boolean);
  const found = racks.filter((rack) => {
    const text = plain([rack.name, rack.things, rack.wall ?? "", ...rack.filed.tags].join(" "));
    return (
      wanted.every((word) => text.includes(word)) &&
      KEPT[which](rack) &&
      tags.every((tag) => rack.filed.tags.includes(tag))
    );
  });
  // As listed they are in the order of their last change.
  const inOrder =
    order === "name"
      ? found.toSorted((a, b) => a.name.localeCompare(b.name, undefined, { numeric: true }))
      : found;
  const first = inOrder.toSorted((a, b) => Number(b.filed.favourite) - Number(a.filed.favourite));
  if (!byWall) return [{ wall: null, racks: first }];
  const groups = new Map<string, RackListed[]>();
  for (const rack of first) {
    const wall = rack.wall ?? "";
    groups.set(wall, [...(groups.get(wall) ?? []), rack]);
  }
  return [...groups]
    .map(([wall, racks]) => ({ wall, racks }))
    .toSorted((a, b) => Number(a.wall === "") - Number(b.wall === "") || a.wall.localeCompare(b.wall));
}
