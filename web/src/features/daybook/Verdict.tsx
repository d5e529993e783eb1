import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { choicesQuery } from "../../api/queries";
import { Button } from "../../ui/Button";
import { type Happen, Waiting } from "../run";

const AGAIN_MS = 2 * 86_400_000;

/** The verdict by words of texture, cut, sweetness and keeping, and a note; after days it is asked again. */
export function Verdict({ run, happen }: { run: Schemas["Run"]; happen: Happen }) {
  const { data } = useQuery(choicesQuery);
  const before = run.state.verdict;
  const [words, setWords] = useState<readonly string[]>(before?.words ?? []);
  const [text, setText] = useState(before?.text ?? "");
  const isKept = before !== null && before.text === text && sameWords(before.words, words);
  const toggle = (word: string) =>
    setWords((now) => (now.includes(word) ? now.filter((one) => one !== word) : [...now, word]));
  const ended = run.batch.ended_at === null ? null : Date.parse(run.batch.ended_at);
  const isLater = ended !== null && before !== null && Date.now() - ended > AGAIN_MS;
  return (
    <div>
      <h2 className="font-bold text-lg">
        {isLater ? "How did it turn out, and how has it kept?" : "How did it turn out?"}
      </h2>
      {data?.verdict_groups.map((group) => (
        <fieldset key={group.of} className="mt-1.5">
          <legend className="text-ash text-sm">{group.of.charAt(0).toUpperCase() + group.of.slice(1)}</legend>
          <div className="flex flex-wrap gap-1.5">
            {group.words.map((word) => (
              <Button
                key={word}
                aria-pressed={words.includes(word)}
                className="aria-pressed:bg-rim aria-pressed:text-sheet"
                onClick={() => toggle(word)}
              >
                {word}
              </Button>
            ))}
          </div>
        </fieldset>
      ))}
      <label className="mt-2 block text-[0.9375rem]">
        <span className="text-ash text-sm">Notes</span>
        <textarea
          value={text}
          rows={2}
          maxLength={2000}
          onChange={(event) => setText(event.target.value)}
          className="w-full rounded-md border-[1.5px] border-line-strong bg-sheet p-2"
        />
      </label>
      <p className="mt-1 flex items-center gap-3">
        <Button
          look={isKept ? "outlined" : "filled"}
          disabled={isKept}
          onClick={() => happen({ kind: "verdict", words: [...words], text })}
        >
          Save verdict
        </Button>
        <span role="status" className="text-[0.9375rem] text-rim">
          {isKept && `Kept: ${before.words.join(", ") || "your notes"}`}
        </span>
      </p>
      <Waiting isLost={false} />
    </div>
  );
}

const sameWords = (a: readonly string[], b: readonly string[]) =>
  a.length === b.length && a.every((word) => b.includes(word));
