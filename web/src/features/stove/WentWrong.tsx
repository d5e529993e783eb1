import { useQuery } from "@tanstack/react-query";
import { batchQueries } from "../../api/queries";
import { Button } from "../../ui/Button";
import { FOLLOW_MS, type Happen } from "../run";

type Props = { batch: number; happen: Happen; onBack: (step: number) => void };

/** What went wrong in a run: it stays until it is put right, or the cook goes on as it is. */
export function WentWrong({ batch, happen, onBack }: Props) {
  const { data, refetch } = useQuery({
    ...batchQueries.unanswered(batch),
    refetchInterval: FOLLOW_MS,
    retry: false,
  });
  const answer = (key: string, how: "yes" | "no") => {
    happen({ kind: "gate", key, gate: "wrong", answer: how, c: null });
    setTimeout(() => void refetch(), SENT_MS);
  };
  return (
    <div role="alert">
      {data?.mishaps.map((one) => (
        <section key={one.key} className="mt-2 rounded-md bg-copper-pale px-4 py-3">
          <p className="font-bold text-[1.25rem] text-copper leading-tight">{one.says}</p>
          <p className="mt-1 text-[1.0625rem]">{one.then}</p>
          <div className="mt-2 flex flex-wrap gap-2">
            {one.code === "past-end" || one.code === "egg-not-cooked" ? (
              <Button
                className="min-h-16"
                onClick={() => {
                  answer(one.key, "yes");
                  onBack(one.step);
                }}
              >
                {one.code === "past-end" ? "Boil it again" : "Cook it again"}
              </Button>
            ) : (
              <Button className="min-h-16" onClick={() => answer(one.key, "yes")}>
                Done as said
              </Button>
            )}
            <Button look="plain" className="min-h-16" onClick={() => answer(one.key, "no")}>
              Leave it as it is
            </Button>
          </div>
        </section>
      ))}
    </div>
  );
}

/** An event is sent at once; its answer is asked for a moment later. */
const SENT_MS = 400;
