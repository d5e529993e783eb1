import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { CountAlong } from "./CountAlong";
import type { Told } from "./useSeen";

const VERDICTS: Record<Told["verdict"], string> = {
  passes: "It passes",
  mend: "Mend it",
  "use-as": "Use it as something else",
  "start-again": "Start again",
};
const MANY = 3;

type Props = {
  told: Told;
  onAnswer: (key: string, word: string) => void;
  onMended: ((cause: string, text: string, putIn: Schemas["MendedWithIn"][]) => void) | null;
};

/** Results, why, what is asked next, and what to do. */
export function Answer({ told, onAnswer, onMended }: Props) {
  const { remedy, ask } = told;
  const bad = told.verdict === "start-again";
  return (
    <div>
      <p
        className={`inline-block rounded-md px-2.5 py-0.5 font-bold text-[1.0625rem] ${bad ? "bg-copper-pale text-copper" : told.verdict === "passes" ? "bg-good" : "bg-butter"}`}
      >
        {VERDICTS[told.verdict]}
      </p>
      <h2 aria-live="polite" className="mt-1 font-display font-semibold text-[1.5rem] leading-[1.2]">
        {told.say}
      </h2>
      {ask && (
        <fieldset className="mt-3 rounded-lg border-[1.5px] border-rim px-3 pt-1 pb-3">
          <legend className="px-1 font-bold">{ask.question}</legend>
          <p className="text-[0.9375rem] text-ash">{ask.why}</p>
          <div className="mt-2 flex flex-wrap gap-2">
            {ask.options.map((word) => (
              <Button key={word} className="min-w-20" onClick={() => onAnswer(ask.key, word)}>
                {word.charAt(0).toUpperCase() + word.slice(1)}
              </Button>
            ))}
          </div>
        </fieldset>
      )}
      {remedy && <Remedy key={JSON.stringify(remedy.add)} told={told} onMended={onMended} />}
      {told.instead && (
        <p className="mt-3 text-[1.0625rem]">
          <b>Or use it as</b> {told.instead}.
        </p>
      )}
      {told.cautions.map((caution) => (
        <p key={caution} className="mt-2 rounded-md bg-copper-pale px-3 py-2 text-[0.9375rem] text-copper">
          {caution}
        </p>
      ))}
      <h3 className="mt-4 font-bold">Why</h3>
      <ol className="text-[0.9375rem]">
        {told.causes.slice(0, MANY).map((cause) => (
          <li key={cause.cause} className="border-line border-b py-1.5">
            <span className="flex items-center gap-3">
              <b className="flex-1">{cause.words.charAt(0).toUpperCase() + cause.words.slice(1)}</b>
              <Likely share={cause.share} />
            </span>
            <span className="text-ash">{cause.because.join("; ")}</span>
          </li>
        ))}
      </ol>
      <p className="mt-2 text-[0.875rem] text-ash">
        Likelihoods are judgements from practice, adjusted by the facts of this batch. They certify nothing.
      </p>
    </div>
  );
}

/** How likely, as a length and in words. */
function Likely({ share }: { share: number }) {
  const words =
    share >= 0.75 ? "very likely" : share >= 0.4 ? "likely" : share >= 0.12 ? "perhaps" : "hardly";
  return (
    <span className="flex shrink-0 items-center gap-2 text-ash">
      <svg viewBox="0 0 80 8" className="h-2 w-20" aria-hidden="true">
        <rect width="80" height="8" className="fill-rim-faint" />
        <rect width={80 * share} height="8" className="fill-rim" />
      </svg>
      <span className="w-20">{words}</span>
    </span>
  );
}

type RemedyProps = Pick<Props, "onMended"> & { told: Told };

function Remedy({ told, onMended }: RemedyProps) {
  const { remedy } = told;
  const [done, setDone] = useState<string | null>(null);
  if (!remedy) return null;
  const cause = told.causes[0]?.cause ?? "";
  const [first] = remedy.add;
  return (
    <section aria-label="What to do" className="mt-3">
      <p className="text-[1.1875rem]">{remedy.do}</p>
      {remedy.then && (
        <p className="mt-1 text-[1.0625rem] text-ash">
          <b className="text-soot">Then:</b> {remedy.then}
        </p>
      )}
      {done !== null ? (
        <p role="status" className="mt-2 font-bold text-rim">
          {done}
        </p>
      ) : first ? (
        <CountAlong
          name={first.name.toLowerCase()}
          grams={first.g}
          onDone={(grams) => {
            onMended?.(cause, remedy.do.slice(0, 2000), [
              { g: grams, ingredient: first.ingredient, position: first.position },
            ]);
            setDone(
              onMended
                ? "Kept with the batch: its amounts, set and keeping follow."
                : "Done. At the stove it would be kept with the batch.",
            );
          }}
        />
      ) : (
        onMended && (
          <Button
            look="filled"
            className="mt-2 min-h-16 text-[1.125rem]"
            onClick={() => {
              onMended(cause, remedy.do.slice(0, 2000), []);
              setDone("Kept with the batch.");
            }}
          >
            Mark as done
          </Button>
        )
      )}
    </section>
  );
}
