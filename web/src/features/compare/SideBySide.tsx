import type { Schemas } from "../../api/client";
import { figure } from "../../units/units";

type Pair = Schemas["Pair"];
type Props = { comparison: Schemas["Comparison"]; first: string; second: string; all?: boolean };

/** Two recipes side by side: what differs in words, then amounts and readings; with `all`, composition too. */
export function SideBySide({ comparison, first, second, all = false }: Props) {
  const moved = (pair: Pair) => Math.abs((pair.first ?? 0) - (pair.second ?? 0)) >= 0.05;
  const amounts = all ? comparison.amounts : comparison.amounts.filter(moved);
  const told = (pair: Pair) => pair.first !== null || pair.second !== null;
  const readings = comparison.readings.filter(
    (pair) => told(pair) && (all ? pair.first !== 0 || pair.second !== 0 : KEY_READINGS.test(pair.name)),
  );
  return (
    <div className="text-[0.9375rem]">
      <p className="mb-2">
        {all ? <strong dir="auto">{second}</strong> : "It"} {comparison.words.join(", ")}.
      </p>
      <table className="w-full table-fixed">
        <thead>
          <tr className="text-[0.8125rem] text-ash">
            <th className="w-2/5 text-left font-normal">{all ? "Amounts" : "What changed"}</th>
            <th className="break-words pl-3 text-right font-normal">{first}</th>
            <th className="break-words pl-3 text-right font-normal">{second}</th>
          </tr>
        </thead>
        <Rows pairs={amounts} marked={moved} />
        {amounts.length === 0 && (
          <tbody>
            <tr>
              <td colSpan={3}>Nothing changed.</td>
            </tr>
          </tbody>
        )}
        <Head title="Readings" />
        <Rows pairs={readings} marked={() => false} />
        {all && (
          <>
            <Head title="Composition, g in 100 g" />
            <Rows pairs={comparison.composition} marked={() => false} />
          </>
        )}
      </table>
    </div>
  );
}

const KEY_READINGS = /^(Mass|Set|Fat to water|Water activity)/;

function Head({ title }: { title: string }) {
  return (
    <tbody>
      <tr>
        <th colSpan={3} scope="rowgroup" className="pt-2 text-left font-normal text-[0.8125rem] text-ash">
          {title}
        </th>
      </tr>
    </tbody>
  );
}

function Rows({ pairs, marked }: { pairs: Pair[]; marked: (pair: Pair) => boolean }) {
  return (
    <tbody>
      {pairs.map((pair) => (
        <tr key={pair.name} className="border-line border-b">
          <th scope="row" className="break-words py-0.5 pr-2 text-left font-normal">
            {pair.name}
          </th>
          <td className="pl-3 text-right">{shown(pair.first, pair.unit)}</td>
          <td className={`pl-3 text-right ${marked(pair) ? "font-bold" : ""}`}>
            {shown(pair.second, pair.unit)}
          </td>
        </tr>
      ))}
    </tbody>
  );
}

function shown(value: number | null, unit: string): string {
  if (value === null) return "–";
  return `${figure(value)} ${unit}`.trim();
}
