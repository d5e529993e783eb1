import type { Schemas } from "../../api/client";

/** How a confection is kept: what is safe and what goes of its texture apart, then what to do. */
export function Advice({ lasting }: { lasting: Schemas["Lasting"] }) {
  const rows: [string, string][] = [
    [
      "Safety",
      `${lasting.days_low} to ${lasting.days_high} days: ${lasting.safety}, by the ${lasting.part}. A guide for home use, not a certificate.`,
    ],
    ["Texture", lasting.texture],
    ["Wrap", lasting.wrap],
    ["Freeze", lasting.freeze],
    ["Thaw", lasting.thaw],
    ["Take out", lasting.take_out],
  ];
  return (
    <dl className="mt-1 grid grid-cols-[6rem_minmax(0,1fr)] gap-x-3 gap-y-1">
      {rows
        .filter(([, words]) => words)
        .map(([name, words]) => (
          <div key={name} className="contents">
            <dt className="text-ash">{name}</dt>
            <dd>{words}</dd>
          </div>
        ))}
    </dl>
  );
}
