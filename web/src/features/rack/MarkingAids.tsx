import { useQuery } from "@tanstack/react-query";
import { useState, type ReactNode } from "react";

import { aidUrl, api, type Paper } from "../../api/client";
import { readCount } from "../../ui/count";
import { Checkbox } from "../../ui/Checkbox";
import { Dialog } from "../../ui/Dialog";
import { Field } from "../../ui/Field";
import { Measure } from "../../ui/Measure";
import { Switch } from "../../ui/Switch";
import { useShown } from "./shown";
import { t } from "../../messages";

const BESIDE = 3;
const PAIRS = [
  { value: "none", label: t("rack.one-board") },
  { value: "matched", label: t("rack.a-matched-pair") },
  { value: "mirrored", label: t("rack.a-mirrored-pair") },
] as const;

/** A story stick, a drilling jig, and the same rack at other lengths. */
export function MarkingAids({ paper, onClose }: { paper: Paper; onClose: () => void }) {
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={t("rack.sticks-jigs-and-lengths")} wide>
      <Stick paper={paper} />
      <Jig paper={paper} />
      <Family />
    </Dialog>
  );
}

function Aid({ title, says, children }: { title: string; says: string; children: ReactNode }) {
  return (
    <section className="border-t border-ink py-3" aria-label={title}>
      <h3 className="text-lead">{title}</h3>
      <p className="mb-2 text-soft">{says}</p>
      {children}
    </section>
  );
}

function Print({ href, children }: { href: string; children: ReactNode }) {
  return (
    <a
      href={href}
      target="_blank"
      rel="noreferrer"
      className="inline-flex min-h-7 items-center rounded-[3px] border border-act bg-act px-2 text-on-act hover:opacity-90 pointer-coarse:min-h-touch"
    >
      {children}
    </a>
  );
}

function Stick({ paper }: { paper: Paper }) {
  const id = useShown((shown) => shown.rack.id);
  const racks = useQuery({ queryKey: ["racks"], queryFn: api.racks });
  const [pair, setPair] = useState<(typeof PAIRS)[number]["value"]>("none");
  const [beside, setBeside] = useState<string[]>([]);
  const room = BESIDE - (pair === "none" ? 0 : 1);
  const others = beside.slice(0, room);
  const toggle = (one: string) =>
    setBeside(others.includes(one) ? others.filter((other) => other !== one) : [...others, one]);
  const query = new URLSearchParams([
    ["pair", pair],
    ["paper", paper],
    ...others.map((one) => ["with", one]),
  ]);
  return (
    <Aid title={t("rack.story-stick")} says={t("rack.every-mark-at-true-size-on")}>
      <Switch label={t("rack.for")} value={pair} options={[...PAIRS]} onPick={setPair} />
      <fieldset className="my-2">
        <legend className="text-soft">{t("rack.other-racks-on-same-stick-at", { room })}</legend>
        <div className="flex flex-wrap gap-x-4">
          {racks.data
            ?.filter((one) => one.id !== id)
            .map((one) => (
              <Checkbox
                key={one.id}
                checked={others.includes(one.id)}
                disabled={!others.includes(one.id) && others.length >= room}
                onChange={() => toggle(one.id)}
              >
                {one.name}
              </Checkbox>
            ))}
        </div>
      </fieldset>
      <Print href={aidUrl(id, `stick.pdf?${query}`)}>{t("rack.print-the-stick")}</Print>
    </Aid>
  );
}

function Jig({ paper }: { paper: Paper }) {
  const id = useShown((shown) => shown.rack.id);
  const version = useShown((shown) => shown.rack.version);
  const [holes, setHoles] = useState(4);
  const jig = useQuery({
    queryKey: ["jig", id, version, holes],
    queryFn: () => api.jig(id, holes),
    retry: false,
  });
  return (
    <Aid title={t("rack.drilling-jig")} says={t("rack.strip-holes-one-pitch-apart-moved")}>
      {jig.error ? (
        <p role="status" className="mb-2 text-care">
          {jig.error.message}
        </p>
      ) : (
        <p className="mb-2">
          {jig.data && (
            <>
              <Measure text={jig.data.length} />{" "}
              {t("rack.long-moved-along-times-made-tape", { n: jig.data.moves })}{" "}
              <Measure text={jig.data.error} /> {t("rack.out-2")}
            </>
          )}
        </p>
      )}
      <div className="flex items-center gap-3">
        <Number name="holes" label={t("rack.holes-in-it")} value={holes} least={2} onChange={setHoles} />
        {jig.data && (
          <Print href={aidUrl(id, `jig.pdf?holes=${holes}&paper=${paper}`)}>{t("rack.print-the-jig")}</Print>
        )}
      </div>
    </Aid>
  );
}

function Family() {
  const id = useShown((shown) => shown.rack.id);
  const version = useShown((shown) => shown.rack.version);
  const count = useShown((shown) => shown.rack.design.count);
  const [fewest, setFewest] = useState(Math.max(1, count - 3));
  const [most, setMost] = useState(count + 3);
  const family = useQuery({
    queryKey: ["family", id, version, fewest, most],
    queryFn: () => api.family(id, fewest, most),
    retry: false,
  });
  return (
    <Aid title={t("rack.a-family-of-lengths")} says={t("rack.same-rack-with-more-or-fewer")}>
      <div className="mb-2 flex flex-wrap items-center gap-3">
        <Number name="fewest" label={t("rack.from")} value={fewest} least={1} onChange={setFewest} />
        <Number name="most" label={t("rack.to")} value={most} least={1} onChange={setMost} />
        {family.data && (
          <a href={aidUrl(id, `family.csv?fewest=${fewest}&most=${most}`)} download className="act-link">
            {t("rack.this-table-as-csv")}
          </a>
        )}
      </div>
      {family.error && (
        <p role="alert" className="text-stop">
          {family.error.message}
        </p>
      )}
      {family.data && (
        <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={t("rack.lengths")}>
          <table className="hand text-right text-plain">
            <thead className="text-soft">
              <tr>
                <th className="px-2 font-normal">{t("rack.count")}</th>
                <th className="px-2 font-normal">{t("rack.board-2")}</th>
                <th className="px-2 text-left font-normal">{t("rack.marks-from-the-datum")}</th>
              </tr>
            </thead>
            <tbody>
              {family.data.map((member) => (
                <tr
                  key={member.count}
                  className={`border-t border-rule ${member.count === count ? "bg-note-bg font-semibold" : ""}`}
                >
                  <td className="px-2">{member.count}</td>
                  <td className="px-2 whitespace-nowrap">
                    <Measure text={member.length} />
                  </td>
                  <td className="px-2 text-left whitespace-nowrap">
                    <Measure text={member.marks.map((mark) => mark.replace(/ (mm|in)$/, "")).join("  ·  ")} />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </Aid>
  );
}

interface NumberProps {
  name: string;
  label: string;
  value: number;
  least: number;
  onChange: (value: number) => void;
}

function Number({ name, label, value, least, onChange }: NumberProps) {
  return (
    <Field
      name={name}
      label={label}
      value={String(value)}
      boxed
      onCommit={(text) => {
        const next = readCount(text, least);
        if (typeof next === "string") return Promise.resolve(next);
        onChange(next);
        return Promise.resolve(null);
      }}
      onStep={(by) => onChange(Math.max(least, value + by))}
    />
  );
}
