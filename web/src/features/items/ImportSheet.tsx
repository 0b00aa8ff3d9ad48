import type { ImportReport } from "../../api/types";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { t } from "../../messages";

const SAYS = {
  new: "new",
  replaces: t("items.replaces-yours"),
  same: t("items.as-you-have-it"),
  refused: "refused",
};

interface Props {
  report: ImportReport;
  onTake: () => void;
  onClose: () => void;
}

/** What a file of things holds, row by row, before anything is taken. */
export function ImportSheet({ report, onTake, onClose }: Props) {
  const good = report.rows.filter((row) => row.standing === "new" || row.standing === "replaces").length;
  const bad = report.rows.filter((row) => row.standing === "refused").length;
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={t("items.what-is-in-this-file")} wide>
      <p className="mb-2">
        {t("items.take-refused-as-you-have-them", { good, bad, count: report.rows.length - good - bad })}
      </p>
      <div
        className="max-h-[55vh] overflow-auto border-y border-rule"
        tabIndex={0}
        role="region"
        aria-label={t("items.rows")}
      >
        <table className="w-full text-left text-plain">
          <thead className="text-soft">
            <tr>
              <th className="w-14 font-normal">{t("items.line")}</th>
              <th className="font-normal">{t("items.thing")}</th>
              <th className="font-normal">{t("items.what-becomes-of-it")}</th>
            </tr>
          </thead>
          <tbody>
            {report.rows.map((row) => (
              <tr key={row.line} className="border-t border-rule align-top">
                <td className="hand">{row.line}</td>
                <td>{row.name || t("items.no-name")}</td>
                <td className={row.standing === "refused" ? "text-stop" : ""}>
                  {SAYS[row.standing]}
                  {row.why && `: ${row.why}`}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <div className="mt-3 flex gap-2">
        <Button look="act" disabled={good === 0} onClick={onTake}>
          {t("items.take-rows", { n: good })}
        </Button>
        <Button onClick={onClose}>{t("items.leave-it")}</Button>
      </div>
    </Dialog>
  );
}
