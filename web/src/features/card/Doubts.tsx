import type { Line, Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { OtherReadings } from "../formula";
import { type Doubt, type Open, type Read, type Whole, withLine } from "./words";

type Props = {
  open: Open[];
  read: Read;
  whole: Whole | null;
  vessels: Schemas["StoredVessel"][];
  library: Schemas["LibraryOut"] | undefined;
  onSettle: (doubt: Doubt, next?: Whole | null) => void;
  onPart: (part: number | null) => void;
};

/** What is not sure, first what changes most; each with the buttons that settle it, or left for later. */
export function Doubts({ open, read, whole, vessels, library, onSettle, onPart }: Props) {
  if (open.length === 0) return null;
  const names = new Map(library?.ingredients.map((row) => [row.key, row.name]));
  const seen = new Set<string>();
  return (
    <section aria-label="Open questions" className="mt-3">
      <h3 className="font-bold">Open questions</h3>
      <ul>
        {open.map(({ doubt, part, line }) => {
          const row = part !== null && line !== null ? whole?.parts[part]?.of.recipe?.lines[line] : undefined;
          if (row) {
            if (seen.has(`${part} ${line}`)) return null;
            seen.add(`${part} ${line}`);
            const name = typeof row.ingredient === "string" ? (names.get(row.ingredient) ?? "") : "";
            return (
              <li key={`${doubt.line}${doubt.text}`} className="border-line border-b py-2">
                <OtherReadings
                  line={
                    {
                      measure: "metric",
                      ...row,
                      doubts: row.doubts?.length ? row.doubts : [doubt.why],
                    } as unknown as Line
                  }
                  name={name}
                  onTake={(change) =>
                    onSettle(
                      doubt,
                      whole && part !== null && line !== null ? withLine(whole, part, line, change) : null,
                    )
                  }
                />
              </li>
            );
          }
          return (
            <li key={`${doubt.line}${doubt.text}${doubt.why}`} className="border-line border-b py-2">
              {doubt.text && (
                <p dir="auto" className="text-ash text-sm">
                  from “{doubt.text}”
                </p>
              )}
              <p className="rounded bg-butter px-2 py-1 text-[0.9375rem]">{sentence(doubt.why)}</p>
              <p className="mt-1 flex flex-wrap gap-2">
                <Button aria-label={`Confirm: ${doubt.why}`} onClick={() => onSettle(doubt)}>
                  Confirm
                </Button>
                {whole &&
                  /vessel|tin|mould/.test(doubt.why) &&
                  otherVessels(whole, vessels).map((one) => (
                    <Button
                      key={one.id}
                      onClick={() => onSettle(doubt, inVessel(whole, one))}
                      aria-label={`Use ${one.name} instead`}
                    >
                      {one.name}
                    </Button>
                  ))}
                {part !== null && (
                  <Button look="plain" onClick={() => onPart(part)}>
                    Show the part
                  </Button>
                )}
              </p>
            </li>
          );
        })}
      </ul>
      {read.unread.length > 0 && (
        <p className="mt-2 text-[0.9375rem]">
          Lines that were not understood stay in the recipe. Confirm them before you print a label: it cannot
          name all allergens until then.
        </p>
      )}
    </section>
  );
}

const MOST_OFFERED = 4;

/** The kitchen's vessels of the same kind, without the one that is taken. */
function otherVessels(whole: Whole, vessels: Schemas["StoredVessel"][]): Schemas["StoredVessel"][] {
  const { kind, name } = whole.form.vessel;
  return vessels.filter((one) => one.vessel.kind === kind && one.name !== name).slice(0, MOST_OFFERED);
}

function inVessel(whole: Whole, one: Schemas["StoredVessel"]): Whole {
  const measures = Object.fromEntries(Object.entries(one.vessel).filter(([, value]) => value !== null));
  return { ...whole, form: { ...whole.form, vessel: { ...measures, name: one.name } } };
}

const sentence = (words: string) => `${words.charAt(0).toUpperCase()}${words.slice(1)}.`;
