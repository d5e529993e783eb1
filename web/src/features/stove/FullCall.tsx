type FullProps = { words: string; says: string | undefined; onSeen: () => void };

/** What is longer than this is said smaller: the whole call and its button are on the screen. */
const SHORT = 24;

/** The call over the whole screen: it is read from across the kitchen. What follows a colon is its advice. */
export function FullCall({ words, says, onSeen }: FullProps) {
  const [call = words, ...advice] = words.split(/[:;] /);
  const size = call.length > SHORT ? "text-[clamp(40px,7vw,96px)]" : "text-[clamp(56px,11vw,150px)]";
  return (
    <div
      role="alertdialog"
      aria-label={words}
      className="fixed inset-0 z-60 grid place-items-center overflow-y-auto bg-copper p-8 text-sheet max-md:p-4"
    >
      <div className="text-center">
        <p className={`font-display font-semibold leading-none ${size}`}>{call}</p>
        {[...advice.map((part) => part.charAt(0).toUpperCase() + part.slice(1)), says].map(
          (part) =>
            part && (
              <p key={part} className="mx-auto mt-6 max-w-3xl text-[clamp(24px,3vw,40px)] leading-tight">
                {part}
              </p>
            ),
        )}
        <button
          type="button"
          // biome-ignore lint/a11y/noAutofocus: the one thing to do at a call
          autoFocus
          onClick={onSeen}
          className="mt-10 min-h-20 rounded-lg border-[3px] border-sheet px-12 font-bold text-[1.75rem]"
        >
          Seen
        </button>
      </div>
    </div>
  );
}
