import { useRef, useState } from "react";
import type { Line } from "../../api/client";
import { amountText, stepped } from "./words";

type Props = {
  line: Line;
  label: string;
  problem: string | null;
  onType: (text: string) => void;
  onAmount: (amount: number, gesture: string) => void;
  onDone: () => void;
};

const PIXELS_A_STEP = 4;
const DRAG_FROM_PX = 5;

/** An amount that can be typed in any unit, stepped by arrows (Shift: ten), and scrubbed by dragging sideways
 * while it is not being typed in. */
export function AmountField({ line, label, problem, onType, onAmount, onDone }: Props) {
  const [draft, setDraft] = useState<string | null>(null);
  const [focused, setFocused] = useState(false);
  const drag = useRef<{ x: number; from: Line; scrubbing: boolean } | null>(null);

  const finish = () => {
    if (!problem) setDraft(null);
    onDone();
  };

  const text = draft !== null && (focused || problem) ? draft : amountText(line);
  return (
    <input
      aria-label={`Amount of ${label}`}
      aria-invalid={problem ? true : undefined}
      autoComplete="off"
      spellCheck={false}
      value={text}
      style={{ width: `${Math.min(12, Math.max(5.5, text.length + 0.6))}ch` }}
      className="h-11 shrink-0 cursor-ew-resize touch-pan-y rounded-md border-[1.5px] border-transparent bg-transparent pr-1 text-right font-bold text-[1.375rem] hover:border-line focus:cursor-text focus:border-rim focus:bg-sheet aria-invalid:border-copper"
      onFocus={(event) => {
        setFocused(true);
        event.target.select();
      }}
      onChange={(event) => {
        setDraft(event.target.value);
        if (event.target.value.trim()) onType(event.target.value);
      }}
      onBlur={() => {
        setFocused(false);
        finish();
      }}
      onKeyDown={(event) => {
        if (event.key === "ArrowUp" || event.key === "ArrowDown") {
          event.preventDefault();
          setDraft(null);
          const steps = (event.key === "ArrowUp" ? 1 : -1) * (event.shiftKey ? 10 : 1);
          onAmount(stepped(line, steps), `step ${label}`);
        } else if (event.key === "Enter") {
          finish();
          event.currentTarget.select();
        } else if (event.key === "Escape" && draft !== null) {
          setDraft(null);
          onType(amountText(line));
        }
      }}
      onDragStart={(event) => event.preventDefault()}
      onPointerDown={(event) => {
        if (event.button === 0 && !focused) drag.current = { x: event.clientX, from: line, scrubbing: false };
      }}
      onPointerMove={(event) => {
        const start = drag.current;
        if (!start) return;
        const moved = event.clientX - start.x;
        if (!start.scrubbing && Math.abs(moved) < DRAG_FROM_PX) return;
        if (!start.scrubbing) event.currentTarget.setPointerCapture(event.pointerId);
        start.scrubbing = true;
        setDraft(null);
        onAmount(stepped(start.from, Math.trunc(moved / PIXELS_A_STEP)), `scrub ${label}`);
      }}
      onPointerUp={(event) => {
        const scrubbed = drag.current?.scrubbing;
        drag.current = null;
        if (scrubbed) {
          event.currentTarget.blur();
          onDone();
        }
      }}
      onPointerCancel={() => {
        drag.current = null;
        onDone();
      }}
    />
  );
}
