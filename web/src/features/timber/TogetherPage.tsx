import { useQuery } from "@tanstack/react-query";

import { Link, useSearchParams } from "react-router";

import { api, batchUrl } from "../../api/client";
import type { RackListed, Timber } from "../../api/types";
import { Button } from "../../ui/Button";
import { useWidth } from "../../ui/useWidth";
import { Checkbox } from "../../ui/Checkbox";
import { Field } from "../../ui/Field";
import { Pick } from "../../ui/Pick";
import { ThemeButton } from "../../ui/ThemeButton";
import { Files } from "./Files";
import { Lines } from "./Lines";
import { StickDrawing } from "./StickDrawing";
import { GroupHead, Order, StickSays } from "./Sticks";
import { useBatch, type Part } from "./useBatch";
import { options, sticks, useStock } from "./useTimber";
import { t } from "../../messages";

const written = ({ rack, copies, length }: Part) => [rack, copies, length].join("~");
function read(text: string): Part {
  const [rack = "", copies = "1", length = ""] = text.split("~");
  return { rack, copies: Number(copies) || 1, length };
}

/** Several racks, or one at several lengths, cut from one purchase. Which ones stands in the address. */
export function TogetherPage() {
  const racks = useQuery({ queryKey: ["racks"], queryFn: api.racks });
  const stock = useStock();
  const [search, setSearch] = useSearchParams();
  const parts = search.getAll("cut").map(read);
  const saw = search.get("saw") ?? t("timber.mitre-saw");
  const { asked, batch, within, stop } = useBatch(parts, saw);
  const put = (next: Part[], by = saw) =>
    setSearch(new URLSearchParams([["saw", by], ...next.map((part) => ["cut", written(part)])]), {
      replace: true,
      flushSync: true, // or a box that was ticked is empty again until the address has followed
    });
  return (
    <div className="flex min-h-dvh flex-col md:h-dvh">
      <title>{t("timber.cut-together-yardcliff")}</title>
      <header className="flex flex-wrap items-center gap-3 border-b-2 border-ink px-5 py-2">
        <Link to="/timber" className="act-link">
          {t("timber.timber")}
        </Link>
        <h1 className="flex-1 text-head">
          {t("timber.cut-together")}{" "}
          <span className="text-body font-normal text-soft">{t("timber.from-one-purchase")}</span>
        </h1>
        <ThemeButton />
      </header>
      <main id="main" tabIndex={-1} className="flex min-h-0 flex-1 flex-col md:flex-row">
        <section
          aria-label={t("timber.cut-plan")}
          className="min-w-0 flex-1 bg-wall px-3 pb-6 md:overflow-y-auto"
        >
          {within && (
            <p role="status" className="flex items-center gap-3 py-2 text-soft">
              <span className="flex-1">{t("timber.looking-for-the-cheapest", { within })}</span>
              <Button onClick={stop}>{t("timber.take-what-is-found")}</Button>
            </p>
          )}
          {batch?.problem && (
            <p role="alert" className="my-3 border border-stop bg-stop-bg p-3 text-stop">
              {batch.problem.detail}
            </p>
          )}
          {parts.length === 0 && <p className="p-6 text-soft">{t("timber.tick-racks-made-in-one-go")}</p>}
          {batch?.timber && <Bench timber={batch.timber} />}
        </section>
        <aside
          aria-label={t("timber.what-is-cut-together")}
          className="border-ink bg-sheet p-3 md:w-[24rem] md:overflow-y-auto md:border-l-2"
        >
          {batch?.timber && (
            <div className="mb-3 border-b border-rule pb-2">
              <p className="hand text-head font-semibold">{batch.timber.total}</p>
              <p className="text-plain text-soft">
                {t("timber.one-by-one", { apart: batch.apart })}{" "}
                {batch.saves && (
                  <strong className="font-semibold text-ink">
                    {t("timber.together-saves", { saves: batch.saves })}
                  </strong>
                )}
              </p>
            </div>
          )}
          <div className="flex items-baseline justify-between">
            <span className="text-soft">{t("timber.cut-with")}</span>
            <Pick
              label={t("timber.saw")}
              value={saw}
              options={options(stock.data?.saws)}
              onPick={(by) => put(parts, by)}
            />
          </div>
          <ul>
            {racks.data?.map((rack) => (
              <Chosen
                key={rack.id}
                rack={rack}
                parts={parts.filter((part) => part.rack === rack.id)}
                onParts={(own) => put([...parts.filter((part) => part.rack !== rack.id), ...own])}
              />
            ))}
          </ul>
          {batch?.timber && (
            <>
              <h2 className="mt-4 text-lead">{t("timber.to-buy")}</h2>
              <Lines lines={batch.timber.lines} />
              <Files url={(kind) => batchUrl(asked, kind)} />
            </>
          )}
        </aside>
      </main>
    </div>
  );
}

interface ChosenProps {
  rack: RackListed;
  parts: Part[];
  onParts: (parts: Part[]) => void;
}

/** A rack that may be in it: how many, and at which lengths. */
function Chosen({ rack, parts, onParts }: ChosenProps) {
  const change = (index: number, part: Partial<Part>) =>
    onParts(parts.map((one, k) => (k === index ? { ...one, ...part } : one)));
  function onCopies(index: number, text: string) {
    const copies = Number(text);
    if (!Number.isInteger(copies) || copies < 1 || copies > 50)
      return t("timber.no-number-racks-write-1-50", { text });
    change(index, { copies });
    return null;
  }
  return (
    <li className="border-b border-rule py-0.5">
      <Checkbox
        checked={parts.length > 0}
        onChange={(on) => onParts(on ? [{ rack: rack.id, copies: 1, length: "" }] : [])}
      >
        {rack.name}
      </Checkbox>
      {parts.map((part, index) => (
        <div key={index} className="flex items-baseline gap-2 pl-6 text-plain">
          <Field
            name={`${rack.id}.${index}.copies`}
            label={t("timber.how-many-of", { name: rack.name, index: index + 1 })}
            labelHidden
            boxed
            value={String(part.copies)}
            onCommit={(text) => Promise.resolve(onCopies(index, text))}
          />
          <Field
            name={`${rack.id}.${index}.length`}
            label={t("timber.long")}
            wide
            className="flex-1"
            value={part.length || t("timber.as-it-is")}
            onCommit={(text) => {
              change(index, { length: text === "as it is" ? "" : text });
              return Promise.resolve(null);
            }}
          />
          {parts.length > 1 && (
            <Button
              look="bare"
              aria-label={t("timber.without-length-of", { index: index + 1, name: rack.name })}
              onClick={() => onParts(parts.filter((_, k) => k !== index))}
            >
              ×
            </Button>
          )}
        </div>
      ))}
      {parts.length > 0 && (
        <Button
          look="bare"
          className="ml-5 text-small"
          aria-label={t("timber.another-length-of", { name: rack.name })}
          onClick={() => onParts([...parts, { rack: rack.id, copies: 1, length: "" }])}
        >
          {t("timber.another-length")}
        </Button>
      )}
    </li>
  );
}

function Bench({ timber }: { timber: Timber }) {
  const [bench, width] = useWidth<HTMLDivElement>();
  const scale = Math.max(width - 20, 260) / Math.max(600, ...sticks(timber).map((stick) => stick.long_mm));
  return (
    <div ref={bench}>
      {timber.groups.map((group, index) => (
        <div key={index} className="pt-3">
          <GroupHead group={group} />
          {group.sawn.map((stick) => (
            <div key={stick.key} className="pt-2">
              <div className="flex flex-wrap items-baseline gap-x-3 text-plain">
                <StickSays stick={stick} />
              </div>
              <div className="overflow-x-auto">
                <StickDrawing stick={stick} scale={scale} />
              </div>
              <Order stick={stick} />
            </div>
          ))}
        </div>
      ))}
    </div>
  );
}
