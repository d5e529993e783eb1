import { useEffect, useRef } from "react";
import { spanText } from "../../units/time";
import type { RunAct } from "./useLine";

type Props = {
  acts: readonly RunAct[];
  at: number;
  /** What the pieces are called, above the acts that are no mix's. */
  pieces: string;
  onGo: (act: RunAct) => void;
};

const MARK: Record<RunAct["state"], string> = {
  done: "border-rim bg-rim",
  now: "border-copper bg-copper",
  ahead: "border-line-strong bg-ground",
};

/** All that is done in a run, in order, under the mix that it belongs to; pressed, an act is gone to. */
export function LineOfActs({ acts, at, pieces, onGo }: Props) {
  const here = useRef<HTMLLIElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the act of now is kept in view, whichever it is
  useEffect(() => {
    here.current?.scrollIntoView?.({ block: "nearest" });
  }, [at]);
  const turns = Math.max(...acts.map((act) => act.turn ?? 0));
  return (
    <ol>
      {acts.map((act, position) => {
        const before = acts[position - 1];
        const isHead = before === undefined || before.part !== act.part || before.turn !== act.turn;
        const hasHeads = acts.some((other) => other.part !== act.part || other.turn !== act.turn);
        return (
          <li key={act.act_id} ref={position === at ? here : undefined}>
            {isHead && hasHeads && (
              <p dir="auto" className="mt-2 mb-0.5 pl-9 text-[0.875rem] text-ash">
                {act.part || (act.turn === null ? pieces : `Moulds, filling ${act.turn} of ${turns}`)}
              </p>
            )}
            <button
              type="button"
              aria-current={position === at ? "step" : undefined}
              disabled={position === at}
              onClick={() => onGo(act)}
              className={`relative flex min-h-11! w-full items-center gap-3 py-1 pr-2 pl-9 text-left text-[1rem] leading-tight before:absolute before:inset-y-0 before:left-[0.9375rem] before:w-0.5 before:bg-line-strong ${position === at ? "bg-sheet font-bold" : act.state === "done" ? "text-ash" : "hover:bg-rim-faint"}`}
            >
              <span
                aria-hidden="true"
                className={`absolute left-2.5 z-10 size-3 rounded-full border-2 ${position === at ? MARK.now : MARK[act.state === "now" ? "done" : act.state]}`}
              />
              <span className="min-w-0 flex-1">
                {act.title}
                <span className="sr-only">
                  {position === at
                    ? ", now"
                    : act.state === "done"
                      ? ", done"
                      : act.state === "now"
                        ? ", waiting"
                        : ""}
                </span>
              </span>
              {act.state === "now" && position !== at ? (
                <span aria-hidden="true" className="text-[0.875rem] text-copper">
                  waiting
                </span>
              ) : (
                act.state !== "done" &&
                act.minutes && (
                  <span className="whitespace-nowrap text-[0.875rem] text-ash">
                    {spanText(60 * (act.minutes[0] ?? 0), 60 * (act.minutes[1] ?? 0))}
                  </span>
                )
              )}
            </button>
          </li>
        );
      })}
    </ol>
  );
}
