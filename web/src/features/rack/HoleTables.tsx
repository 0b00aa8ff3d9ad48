import { keepPreviousData, useQuery } from "@tanstack/react-query";

import { api } from "../../api/client";
import { Measure } from "../../ui/Measure";
import { useShown } from "./shown";
import { t } from "../../messages";

/** The holes of each part, face by face, as one marks them: along from an end, across from an edge. */
export function HoleTables() {
  const id = useShown((shown) => shown.rack.id);
  const version = useShown((shown) => shown.rack.version);
  const site = useShown((shown) => shown.rack.site);
  const { data } = useQuery({
    queryKey: ["holes", id, version, site],
    queryFn: ({ signal }) => api.holes(id, signal),
    placeholderData: keepPreviousData,
    staleTime: 0,
  });
  return data?.map((table) => (
    <section key={table.name} className="mt-3 first:mt-0">
      <h3 className="font-semibold">{table.name}</h3>
      {table.faces.map((face) => (
        <table key={face.face} className="mt-1 w-full border-collapse text-left">
          <caption className="text-left text-soft">
            <span className="font-semibold">{face.face}</span>
            {t("rack.along-from-across-from-from", {
              along: face.along,
              across: face.across,
              rest: face.rest,
            })}
          </caption>
          <thead className="text-fine text-soft">
            <tr>
              {[t("rack.no"), t("rack.along"), t("rack.across"), t("rack.rest")].map((head) => (
                <th key={head} scope="col" className="pr-2 font-normal">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          {face.lines.map((line) => (
            <tbody key={line.number} className="border-t border-rule align-baseline">
              <tr>
                <th scope="row" rowSpan={2} className="w-8 pr-2 align-top font-semibold">
                  {line.number}
                </th>
                {[line.along, line.across, line.rest].map((text, index) => (
                  <td key={index} className="hand pr-2 whitespace-nowrap">
                    <Measure text={text} />
                  </td>
                ))}
              </tr>
              <tr>
                <td colSpan={3} className="pb-1 text-soft">
                  <Measure
                    text={[
                      t("rack.bit", { bit: line.bit }),
                      line.depth === "through" ? line.depth : t("rack.deep-2", { depth: line.depth }),
                      line.tilt && t("rack.from-square", { tilt: line.tilt }),
                      line.head,
                    ]
                      .filter(Boolean)
                      .join(", ")}
                  />
                  : {line.purpose}
                </td>
              </tr>
            </tbody>
          ))}
        </table>
      ))}
    </section>
  ));
}
