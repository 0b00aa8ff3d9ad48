import { useQuery } from "@tanstack/react-query";

import { api } from "../../api/client";
import type { Trait, Version } from "../../api/types";
import { Measure } from "../../ui/Measure";
import { t } from "../../messages";

/** The table under the drawings: how each does, which is better in what, and what was decided differently. */
export function Comparison({ rackId, versions }: { rackId: string; versions: Version[] }) {
  const ids = versions.map((version) => version.id);
  const { data } = useQuery({
    queryKey: ["versions", rackId, ids],
    queryFn: () => api.compare(rackId, ids),
    staleTime: 0,
  });
  if (!data) return null;
  return (
    <table className="mt-6 w-full table-fixed text-left">
      <thead>
        <tr className="border-b border-ink">
          <th className="w-44 font-normal text-soft">{t("versions.which-does-better")}</th>
          {versions.map((version) => (
            <th key={version.id} className="hand font-semibold">
              {version.name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        <Rows traits={data.results} />
        <tr>
          <th colSpan={versions.length + 1} className="border-b border-ink pt-5 font-normal text-soft">
            {data.decisions.length
              ? t("versions.what-was-decided-differently")
              : t("versions.nothing-was-decided-differently")}
          </th>
        </tr>
        <Rows traits={data.decisions} />
      </tbody>
    </table>
  );
}

function Rows({ traits }: { traits: Trait[] }) {
  return traits.map((trait) => (
    <tr key={trait.label} className="border-b border-rule">
      <th className="font-normal text-soft">{trait.label}</th>
      {trait.texts.map((text, index) => (
        <td key={index} className={`hand ${trait.best.includes(index) ? "font-semibold text-act" : ""}`}>
          <Measure text={text} />
          {trait.best.includes(index) && <span className="text-fine"> {t("versions.better")}</span>}
        </td>
      ))}
    </tr>
  ));
}
