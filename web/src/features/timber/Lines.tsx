import { api, saidOf } from "../../api/client";
import type { Timber } from "../../api/types";
import { Field } from "../../ui/Field";
import { Measure } from "../../ui/Measure";
import { useRefresh } from "./useTimber";

/** The shopping list; what has no price takes the one that is typed there. */
export function Lines({ lines }: { lines: Timber["lines"] }) {
  const refresh = useRefresh();
  async function onPrice(line: Timber["lines"][number], text: string) {
    try {
      await api.notePrice({ kind: line.kind, name: line.name, price: text, pack: 1 });
      await refresh();
      return null;
    } catch (error) {
      return saidOf(error);
    }
  }
  return (
    <table className="w-full text-[0.88rem]">
      <thead className="sr-only">
        <tr>
          <th>What</th>
          <th>How many</th>
          <th>Cost</th>
        </tr>
      </thead>
      <tbody>
        {lines.map((line) => (
          <tr key={line.kind + line.name} className="border-t border-rule align-top first:border-t-0">
            <td className="py-0.5 pr-1">
              <Measure text={line.name} />
              <span className="block text-[0.8rem] text-soft">
                needs {line.need}
                {line.left && `, ${line.left} left over`}
                {/(only|out of)/.test(line.says) && <span className="text-care">, {line.says}</span>}
              </span>
            </td>
            <td className="hand py-0.5 text-right whitespace-nowrap">{line.buy}</td>
            <td className="hand w-20 py-0.5 text-right whitespace-nowrap">
              {line.known || line.timber ? (
                line.total
              ) : (
                <Field
                  label={`Price of ${line.name}`}
                  labelHidden
                  boxed
                  placeholder="price?"
                  value=""
                  onCommit={(text) => onPrice(line, text)}
                />
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
