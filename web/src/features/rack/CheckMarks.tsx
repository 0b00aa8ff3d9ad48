import { useState, type FormEvent } from "react";

import { api, reasonOf } from "../../api/client";
import type { MarksCheck } from "../../api/types";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { Measure } from "../../ui/Measure";
import { useDraft } from "../../ui/useDraft";
import { useSession, useShown } from "./shown";
import { t } from "../../messages";

/** Marks worked out elsewhere, or pencilled already, held against the plan. */
export function CheckMarks({ onClose }: { onClose: () => void }) {
  const session = useSession();
  const [text, setText] = useDraft(`${session.rack.id} marks`, "");
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
    <Dialog open onOpenChange={(open) => !open && onClose()} title={t("rack.check-my-marks")} wide>
      <form onSubmit={(event) => void check(event)}>
        <label htmlFor="marks-text" className="text-soft">
          {t("rack.your-marks-from-boards-in-any", { ends: session.rack.design.ends[0] })}
        </label>
        <textarea
          id="marks-text"
          value={text}
          rows={3}
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
          {t("rack.check-them")}
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
            <th className="text-left font-normal">{t("rack.mark")}</th>
            <th className="font-normal">{t("rack.yours")}</th>
            <th className="font-normal">{t("rack.plan")}</th>
            <th className="font-normal">{t("rack.off-by")}</th>
          </tr>
        </thead>
        <tbody>
          {found.marks.map((mark, index) => (
            <tr key={index} className={`border-t border-rule ${mark.good ? "" : "font-semibold text-stop"}`}>
              <td className="text-left">{mark.holder == null ? "?" : mark.holder + 1}</td>
              <td>
                <Measure text={mark.text} />
              </td>
              <td>{mark.planned ? <Measure text={mark.planned} /> : t("rack.none-near")}</td>
              <td>{mark.good ? "good" : mark.off && <Measure text={mark.off} />}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {found.missing.length > 0 && (
        <p className="mt-2">
          {t("rack.no-mark-yours-stands-for")} <span className="hand">{found.missing.join(", ")}</span>.
        </p>
      )}
      {found.air !== null && !good && (
        <p className="mt-2">
          {t("rack.the-least-air-is", {
            what: found.touches
              ? `${t("rack.used-as-they-things-would-touch")} `
              : `${t("rack.used-as-they-nothing-touches")} `,
          })}{" "}
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
          {t("rack.plan-on-with-these-pin-every")}
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
      aria-label={t("rack.plans-marks-above-yours-below")}
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
        {t("rack.plan")}
      </text>
      <text x={x(length)} y={60} textAnchor="end" className="fill-soft text-reading">
        {t("rack.yours")}
      </text>
    </svg>
  );
}
