import type { RackListed } from "../../api/types";

export type Order = "changed" | "name";

export interface Group {
  /** The wall that they are on; null where they are not grouped, "" for none. */
  wall: string | null;
  racks: RackListed[];
}

const plain = (text: string) => text.toLowerCase();

/** The racks that have all the words in their name, their things or their wall, in an order, by wall where asked. */
export function grouped(racks: readonly RackListed[], words: string, order: Order, byWall: boolean): Group[] {
  const wanted = plain(words).split(/\s+/).filter(Boolean);
  const found = racks.filter(({ name, things, wall }) => {
    const text = plain(`${name} ${things} ${wall ?? ""}`);
    return wanted.every((word) => text.includes(word));
  });
  // As listed they are in the order of their last change.
  const inOrder =
    order === "name"
      ? found.toSorted((a, b) => a.name.localeCompare(b.name, undefined, { numeric: true }))
      : found;
  if (!byWall) return [{ wall: null, racks: inOrder }];
  const groups = new Map<string, RackListed[]>();
  for (const rack of inOrder) {
    const wall = rack.wall ?? "";
    groups.set(wall, [...(groups.get(wall) ?? []), rack]);
  }
  return [...groups]
    .map(([wall, racks]) => ({ wall, racks }))
    .toSorted((a, b) => Number(a.wall === "") - Number(b.wall === "") || a.wall.localeCompare(b.wall));
}
