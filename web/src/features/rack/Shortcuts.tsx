import { Dialog } from "../../ui/Dialog";

const KEYS: [string, string][] = [
  ["+  and  −", "one holder more or fewer"],
  ["← →", "on a holder or the board's end: one tape step"],
  ["↑ ↓", "on a holder: to the one beside it; in the ladder: try a count on"],
  ["← → ↑ ↓", "on the rack, on its wall: one tape step; with Shift ten"],
  ["Delete", "on a holder: let go of its pin"],
  ["Enter", "on a holder or a mark: its working; in the ladder: take the count"],
  ["F", "fit the rack in the window"],
  ["W", "show the whole wall, down to the floor"],
  ["S", "the section from the side, and back"],
  ["T", "hook the tape on the other end"],
  ["Ctrl Z,  Ctrl Shift Z", "undo, redo"],
  ["Esc", "close a slip; bring back what a field said"],
  ["?", "this sheet"],
];

export function Shortcuts({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Keys">
      <dl className="grid grid-cols-[auto_1fr] gap-x-5 gap-y-1.5">
        {KEYS.map(([keys, does]) => (
          <div key={keys} className="contents">
            <dt className="hand font-semibold whitespace-nowrap">{keys}</dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-3 text-soft">
        Lengths are read as people write them: 6 3/4, 6¾ in, 17.1 cm, 1' 2 1/2", 48 in - 2*3/4 in. Any figure
        with dots under it opens its working.
      </p>
    </Dialog>
  );
}
