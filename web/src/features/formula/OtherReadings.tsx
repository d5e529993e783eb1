import { useQuery } from "@tanstack/react-query";
import { client, dataOf, type Line, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";

type Props = { line: Line; name: string; onTake: (part: Partial<Line>) => void };

/** What a line was read from, what is not settled about it, and a button for each other reading. */
export function OtherReadings({ line, name, onTake }: Props) {
  const { text, measure } = line;
  const { data } = useQuery({
    queryKey: ["other-readings", text, measure],
    enabled: text !== "" && line.doubts.length > 0,
    queryFn: ({ signal }) =>
      dataOf(client.POST("/api/recipes/line", { body: { text, measure }, signal })).then(
        (answer) => answer.others,
      ),
  });
  if (!text) return null;
  return (
    <div className="grid gap-1.5">
      <p dir="auto" className="text-ash text-sm">
        from “{text}”
      </p>
      {line.doubts.length > 0 && (
        <>
          <p className="rounded bg-butter px-2 py-1 text-[0.9375rem]">{line.doubts.join("; ")}</p>
          <div className="flex flex-wrap gap-2">
            {typeof line.ingredient === "string" && (
              <Button aria-label={`Confirm: ${name}`} onClick={() => onTake({ doubts: [] })}>
                Confirm
              </Button>
            )}
            {data?.map(({ says, ingredient, ...stated }) => (
              <Button
                key={says}
                aria-label={`${name}: ${says} instead`}
                onClick={() => onTake({ ingredient, doubts: [], ...amountOf(stated) })}
              >
                {says}
              </Button>
            ))}
          </div>
        </>
      )}
    </div>
  );
}

type Stated = Omit<Schemas["OtherReadingRecord"], "says" | "ingredient">;

/** Where another reading states no amount either, ours stays. */
function amountOf({ amount, ...rest }: Stated): Partial<Line> {
  return amount === null ? {} : { ...rest, amount, proposed: false };
}
