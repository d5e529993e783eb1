import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { PhraseList } from "../../ui/Phrase";

export type Answers = Record<string, string>;

type Props = {
  questions: Schemas["IngredientQuestion"][];
  answers: Answers;
  onAnswers: (answers: Answers) => void;
};

const UNKNOWN = "unknown";

/** What has not been answered is not known, and is sent as that. */
export function allAnswers(questions: Props["questions"], answers: Answers): Answers {
  return Object.fromEntries(questions.map(({ key }) => [key, answers[key] ?? UNKNOWN]));
}

/** What in an ingredient of one's own could hurt someone: each asked, and not known until it is answered. */
export function Hurts({ questions, answers, onAnswers }: Props) {
  const given = allAnswers(questions, answers);
  const open = questions.filter(({ key }) => given[key] === UNKNOWN).length;
  const none = Object.fromEntries(questions.map(({ key, options }) => [key, options[0]?.value ?? UNKNOWN]));
  return (
    <fieldset className="mt-3">
      <legend className="font-bold">What could hurt someone</legend>
      <ul className="text-[1.0625rem] leading-[1.6]">
        {questions.map(({ key, asks, options }) => (
          <li key={key}>
            {asks}:{" "}
            <PhraseList
              label={asks}
              text={options.find(({ value }) => value === given[key])?.words ?? ""}
              value={given[key] ?? UNKNOWN}
              options={options.map(({ value, words }) => ({ value, text: words }))}
              onPick={(value) => onAnswers({ ...answers, [key]: value })}
            />
          </li>
        ))}
      </ul>
      {open > 0 && (
        <p className="mt-1 text-[0.875rem] text-ash">
          {open} unknown: confirm them before you print a label.{" "}
          <Button look="plain" onClick={() => onAnswers(none)}>
            None of these is in it
          </Button>
        </p>
      )}
    </fieldset>
  );
}
