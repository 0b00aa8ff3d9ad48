import type { ReactNode } from "react";

import type { Task } from "../../api/types";
import { Checkbox } from "../../ui/Checkbox";
import { Measure } from "../../ui/Measure";
import { t } from "../../messages";

interface Props {
  task: Task;
  onTick: (item: string, done: boolean) => void;
  /** Its only line stands elsewhere already. */
  short?: boolean;
  picture?: ReactNode;
}

/** What a card says, the same in the order of work and at the bench; its lines are ticked off. */
export function CardText({ task, onTick, short = false, picture }: Props) {
  const lines = short && task.lines.length === 1 ? [] : task.lines;
  const plain = task.settings.length + task.ways.length + lines.length > 0;
  return (
    <div className={`grid gap-x-6 gap-y-1.5 ${plain ? "md:grid-cols-2" : ""}`}>
      <div className={plain ? "" : "hidden"}>
        {task.settings.length > 0 && (
          <dl className="grid grid-cols-[auto_1fr] gap-x-3 text-plain">
            {task.settings.map(({ name, text }) => (
              <div key={name} className="contents">
                <dt className="text-soft">{name}</dt>
                <dd className="hand">
                  <Measure text={text} />
                </dd>
              </div>
            ))}
          </dl>
        )}
        {task.ways.map((way, index) => (
          <p key={way} className={index ? "text-plain text-soft" : "mt-1"}>
            {index > 0 && `${t("making.or")} `}
            <Measure text={way} />
          </p>
        ))}
        {lines.length > 0 && (
          <ul className="mt-1">
            {lines.map((line) => (
              <li key={line.item}>
                <Checkbox checked={line.done} onChange={(on) => onTick(line.item, on)}>
                  <span className={line.done ? "text-soft line-through" : ""}>
                    <Measure text={line.text} />
                  </span>
                  {line.gone && (
                    <span className="text-small text-care">{t("making.done-as-plan-was-before")}</span>
                  )}
                </Checkbox>
              </li>
            ))}
          </ul>
        )}
      </div>
      <div className="min-w-0">
        {picture}
        {task.checks.length > 0 && (
          <ul aria-label={t("making.check")} className="list-[square] pl-5 marker:text-act">
            {task.checks.map((check) => (
              <li key={check}>
                <Measure text={check} />
              </li>
            ))}
          </ul>
        )}
        {task.cautions.length > 0 && (
          <ul
            aria-label={t("making.take-care")}
            className="mt-1.5 border-l-4 border-care bg-care-bg py-1 pr-2 pl-2.5 text-plain"
          >
            {task.cautions.map((caution) => (
              <li key={caution}>{caution}</li>
            ))}
          </ul>
        )}
      </div>
    </div>
  );
}
