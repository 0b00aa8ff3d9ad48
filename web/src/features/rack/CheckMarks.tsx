import { useState, type FormEvent } from "react";

import { api, reasonOf } from "../../api/client";
import type { MarksCheck } from "../../api/types";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { Measure } from "../../ui/Measure";
import { useSession, useShown } from "./shown";

/** Marks worked out elsewhere, or pencilled already, held against the plan. */
export function CheckMarks({ onClose }: { onClose: () => void }) {
  const session = useSession();
  const [text, setText] = useState("");
  const [found, setFound] = useState<MarksCheck | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);

  async function check(event: FormEvent) {
    event.preventDefault();
    setTrouble(null);
    try {
      setFound(await api.checkMarks(session.rack.design.brief, text));
    } catch (error) {
      setTrouble(reasonOf(error));
    }
  }
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="Check my marks" wide>
      <form onSubmit={(event) => void check(event)}>
        <label htmlFor="marks-text" className="text-soft">
          Your marks from the board&apos;s {session.rack.design.ends[0]}, in any order: worked out on paper,
          or pencilled already
        </label>
        <textarea
          id="marks-text"
          value={text}
          rows={3}
          maxLength={8000}
          aria-invalid={trouble !== null}
          aria-describedby={trouble ? "marks-error" : undefined}
          placeholder="121, 362, 604 …"
          onChange={(event) => setText(event.target.value)}
          className="hand mt-1 w-full border border-rule bg-paper px-2 py-1 text-lead aria-invalid:border-stop aria-invalid:bg-stop-bg"
        />
        {trouble && (
          <p id="marks-error" role="alert" className="text-stop">
            {trouble}
          </p>
        )}
        <Button type="submit" look="act">
          Check them
        </Button>
      </form>
      {found && <Verdict found={found} onAdopted={onClose} />}
    </Dialog>
  );
}

function Verdict({ found, onAdopted }: { found: MarksCheck; onAdopted: () => void }) {
  const { apply } = useSession();
  const good = found.marks.every((mark) => mark.good) && found.missing.length === 0;
  return (
    <div className="mt-4 border-t border-ink pt-3" role="status">
      <h3 className={`text-lead ${good ? "" : "text-care"}`}>{found.title}</h3>
      <p>{found.says}</p>
      <Strip found={found} />
      <table className="hand mt-2 w-full max-w-lg text-right text-plain">
        <thead className="text-soft">
          <tr>
            <th className="text-left font-normal">mark</th>
            <th className="font-normal">yours</th>
            <th className="font-normal">plan</th>
            <th className="font-normal">off by</th>
          </tr>
        </thead>
        <tbody>
          {found.marks.map((mark, index) => (
            <tr key={index} className={`border-t border-rule ${mark.good ? "" : "font-semibold text-stop"}`}>
              <td className="text-left">{mark.holder == null ? "?" : mark.holder + 1}</td>
              <td>
                <Measure text={mark.text} />
              </td>
              <td>{mark.planned ? <Measure text={mark.planned} /> : "none near"}</td>
              <td>{mark.good ? "good" : mark.off && <Measure text={mark.off} />}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {found.missing.length > 0 && (
        <p className="mt-2">
          No mark of yours stands for: <span className="hand">{found.missing.join(", ")}</span>.
        </p>
      )}
      {found.air !== null && !good && (
        <p className="mt-2">
          {found.touches ? "Used as they are, things would touch: " : "Used as they are, nothing touches: "}
          the least air is{" "}
          <b className="hand">
            <Measure text={found.air ?? ""} />
          </b>
          .
        </p>
      )}
      {found.adopt && (
        <Button
          className="mt-2"
          onClick={() => {
            apply(found.adopt ?? {});
            onAdopted();
          }}
        >
          Plan on with these: pin every holder where it is marked
        </Button>
      )}
    </div>
  );
}

const STRIP = { width: 800, height: 64, pad: 8 };

/** The board with the plan's marks from above and the given ones from below, at one scale. */
function Strip({ found }: { found: MarksCheck }) {
  const length = useShown((shown) => shown.rack.design.length_mm);
  const plan = useShown((shown) => shown.rack.design.marks.x);
  const longest = Math.max(length, ...found.marks.map((mark) => mark.x));
  const x = (mm: number) => STRIP.pad + (mm / longest) * (STRIP.width - 2 * STRIP.pad);
  return (
    <svg
      viewBox={`0 0 ${STRIP.width} ${STRIP.height}`}
      className="mt-2 w-full"
      role="img"
      aria-label="The plan's marks above, yours below"
    >
      <rect x={x(0)} y={24} width={x(length) - x(0)} height={16} className="fill-wood stroke-ink" />
      {plan.map((at, index) => (
        <path key={index} d={`M${x(at)} 8V32`} className="stroke-ink" strokeWidth={1.5} />
      ))}
      {found.marks.map((mark, index) => (
        <path
          key={index}
          d={`M${x(mark.x)} 32V${mark.good ? 52 : 58}`}
          className={mark.good ? "stroke-mark" : "stroke-stop"}
          strokeWidth={mark.good ? 1.5 : 3}
        />
      ))}
      <text x={x(length)} y={14} textAnchor="end" className="fill-soft text-reading">
        plan
      </text>
      <text x={x(length)} y={60} textAnchor="end" className="fill-soft text-reading">
        yours
      </text>
    </svg>
  );
}
