/** A pin: a pinned amount is not moved by anything that solves. */
export function PinButton(props: { name: string; pinned: boolean; onToggle: () => void }) {
  return (
    <button
      type="button"
      aria-pressed={props.pinned}
      aria-label={`Pin ${props.name}`}
      title={
        props.pinned ? "Pinned: this amount stays. Press to unpin." : "Pin this amount so that it stays."
      }
      onClick={props.onToggle}
      className="grid size-11 shrink-0 place-items-center rounded-md text-line-strong hover:bg-rim-faint aria-pressed:text-rim"
    >
      <svg aria-hidden="true" viewBox="0 0 20 20" className="size-5">
        <circle
          cx="10"
          cy="7"
          r="4.5"
          strokeWidth="1.8"
          className={`stroke-current ${props.pinned ? "fill-current" : "fill-transparent"}`}
        />
        <path d="M10 11.5V18" strokeWidth="1.8" strokeLinecap="round" className="stroke-current" />
      </svg>
    </button>
  );
}
