import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { client, dataOf, type Schemas } from "../../api/client";
import { PdfLink } from "../../ui/PdfLink";
import { Skeleton } from "../../ui/Skeleton";
import { containsText, keepingText } from "../../units/told";
import { aim, mass, temperature, type Units, useUnits } from "../../units/units";

type Card = Schemas["RecipeCard"];

/** A recipe on one page, to be read at arm's length: on the screen as it will be on paper. */
export function CardPage({ id }: { id: number }) {
  const units = useUnits();
  const { data: card } = useQuery({
    queryKey: ["recipe-card", id],
    staleTime: 0,
    queryFn: ({ signal }) =>
      dataOf(client.GET("/api/recipes/{recipe_id}/card", { params: { path: { recipe_id: id } }, signal })),
  });
  if (!card) return <Skeleton />;
  const open = card.lines.filter((line) => line.proposed || line.doubts.length > 0).length;
  return (
    <main className="paper mx-auto w-full max-w-[50rem] px-8 py-6 text-[1.125rem] leading-snug max-md:px-3">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6">
        <h1 dir="auto" className="font-display font-semibold text-4xl">
          {card.name}
        </h1>
        <p className="flex flex-wrap items-center gap-x-5">
          <Link
            to={`/recipes/${id}/stove`}
            className="inline-flex min-h-11 items-center font-bold text-rim underline print:hidden"
          >
            Make it now
          </Link>
          <PdfLink of={`/api/recipes/${id}/card.pdf`} filled>
            Print card
          </PdfLink>
        </p>
      </div>
      <p className="mt-1 text-ash">
        {card.family}; {mass(card.mass_g, units)} in the bowl. {sentenceOf(card)}
      </p>
      {open > 0 && (
        <p className="mt-2 rounded bg-butter px-2 py-1">
          {open === 1 ? "One line is" : `${open} lines are`} not confirmed: marked with ?
        </p>
      )}
      <table className="mt-3 w-full border-line border-t">
        <caption className="sr-only">What goes in</caption>
        <tbody>
          {card.lines.map((line, position) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a line is its position; the same ingredient may stand twice
            <tr key={position} className="border-line border-b align-baseline">
              <td className="w-32 py-1 pr-4 text-right font-bold text-[1.375rem] tabular-nums">
                {mass(line.grams, units)}
              </td>
              <td dir="auto" className="py-1">
                {line.name}
                {(line.proposed || line.doubts.length > 0) && " ?"}
              </td>
              <td className="py-1 pl-3 text-right text-ash">{line.spoons && `about ${line.spoons}`}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <ol className="mt-4 grid gap-2">
        {card.steps.map((step, position) => (
          <li key={step.key} className="grid grid-cols-[2rem_1fr] break-inside-avoid">
            <span className="font-bold">{position + 1}.</span>
            <span>
              <strong>{step.title}</strong>
              {gateOf(step, units)}. {step.do}
              {step.caution && <em className="block">{step.caution}</em>}
            </span>
          </li>
        ))}
      </ol>
      {card.as_written.length > 0 && (
        <section className="mt-4 break-inside-avoid">
          <h2 className="font-bold">Original text</h2>
          {card.as_written.map((step) => (
            <p key={step} dir="auto" className="mt-1 text-base">
              {step}
            </p>
          ))}
        </section>
      )}
      <footer className="mt-4 break-inside-avoid border-line border-t pt-2 text-base">
        <p className="font-bold">
          {containsText(card.allergens_named)}
          {card.not_known.length > 0 && `; incomplete, unknown for ${card.not_known.join(", ")}`}.
        </p>
        <p>
          Keeps {keepingText(card.keeping)}: {card.keeping.because}. An estimate for home use; where it is
          sold, local food rules decide.
        </p>
        {card.cautions.map((caution) => (
          <p key={caution}>{caution}</p>
        ))}
      </footer>
    </main>
  );
}

function sentenceOf({ sentence }: Card): string {
  return `${[sentence.lead, sentence.turn].filter(Boolean).join(", ")}.`;
}

/** What a step aims at and how long it takes. */
function gateOf(step: Card["steps"][number], units: Units): string {
  const warm = aim(step.target_c, (celsius) => temperature(celsius, units));
  const said = [warm, step.minutes === null ? "" : `about ${Math.round(step.minutes)} min`].filter(Boolean);
  return said.length > 0 ? `, ${said.join(", ")}` : "";
}
