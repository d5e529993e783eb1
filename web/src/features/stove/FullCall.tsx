type FullProps = { words: string; says: string | undefined; onSeen: () => void };

/** The call over the whole screen: it is read from across the kitchen. */
export function FullCall({ words, says, onSeen }: FullProps) {
  return (
    <div
      role="alertdialog"
      aria-label={words}
      className="fixed inset-0 z-60 grid place-items-center bg-copper p-8 text-sheet"
    >
      <div className="text-center">
        <p className="font-display font-semibold text-[clamp(56px,11vw,150px)] leading-none">{words}</p>
        {says && <p className="mx-auto mt-6 max-w-3xl text-[clamp(24px,3vw,40px)]">{says}</p>}
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
