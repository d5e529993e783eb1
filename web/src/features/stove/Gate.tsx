import type { Schemas } from "../../api/client";

type Answer = Schemas["GateAnswered"]["answer"];
type GateProps = {
  words: string;
  under: string;
  answer: Answer | null;
  onAnswer: (answer: Answer) => void;
};

/** A gate is asked, not assumed; passed by, it is recorded, not scolded. */
export function Gate({ words, under, answer, onAnswer }: GateProps) {
  const yes = answer === "yes";
  return (
    <li className="border-line border-b">
      <button
        type="button"
        aria-pressed={yes}
        onClick={() => onAnswer(yes ? "no" : "yes")}
        className="flex min-h-16 w-full items-center gap-4 py-1.5 text-left"
      >
        <span
          aria-hidden="true"
          className={`grid size-8 shrink-0 place-items-center rounded-full border-[2.5px] border-rim font-bold text-[1.125rem] ${yes ? "bg-rim text-sheet" : "text-transparent"}`}
        >
          ✓
        </span>
        <span>
          <b className="block text-[1.125rem] leading-tight">{words}</b>
          <span className="block text-[1rem] text-ash leading-tight">
            {answer === "skipped" ? "Skipped." : under}
          </span>
        </span>
      </button>
    </li>
  );
}
