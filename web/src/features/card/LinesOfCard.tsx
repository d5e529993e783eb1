import { BECAME, type CardLine } from "./words";

type Props = { lines: CardLine[]; chosen: number | null; onPress: (part: number | null) => void };

/** The card, line by line, each with what it became; a line that is of a part shows it when it is pressed. */
export function LinesOfCard({ lines, chosen, onPress }: Props) {
  if (lines.length === 0) return null;
  return (
    <ol aria-label="Lines of the card" className="mt-3">
      {lines.map((line, position) => {
        const part = line.part;
        const isChosen = part !== null && part === chosen;
        return (
          <li
            // biome-ignore lint/suspicious/noArrayIndexKey: a line is its place on the card
            key={position}
            className={`border-line border-b ${isChosen ? "bg-rim-faint" : ""}`}
          >
            {part === null ? (
              <p className="flex min-h-9 items-center justify-between gap-3 py-1">
                <Words line={line} />
              </p>
            ) : (
              <button
                type="button"
                aria-pressed={isChosen}
                onClick={() => onPress(part)}
                className="flex min-h-11 w-full items-center justify-between gap-3 py-1 text-left hover:bg-rim-faint"
              >
                <Words line={line} />
              </button>
            )}
          </li>
        );
      })}
    </ol>
  );
}

function Words({ line }: { line: CardLine }) {
  const wants = line.became === "unread";
  return (
    <>
      <span dir="auto" className={line.became === "heading" || line.became === "title" ? "font-bold" : ""}>
        {line.text}
      </span>
      <span className={`shrink-0 text-sm ${wants ? "rounded bg-butter px-1.5" : "text-ash"}`}>
        {BECAME[line.became]}
        {line.because && <span className="sr-only">: {line.because}</span>}
      </span>
    </>
  );
}
