import { Slider } from "radix-ui";
import type { ReactNode } from "react";

type Props = {
  label: string;
  valueText: string;
  value: number;
  low: number;
  high: number;
  step: number;
  disabled?: boolean;
  onSlide: (value: number) => void;
  onSettled?: () => void;
  thumb: ReactNode;
  children: ReactNode;
};

/** A ruler that a mark slides along, by pointer, touch and arrow keys. */
export function SlidingRule(props: Props) {
  const { label, valueText, value, low, high, step, disabled, onSlide, onSettled, thumb, children } = props;
  return (
    <Slider.Root
      className="relative flex w-full touch-none select-none items-center"
      min={low}
      max={high}
      step={step}
      value={[value]}
      disabled={disabled}
      onValueChange={([next]) => next !== undefined && onSlide(next)}
      onValueCommit={onSettled}
    >
      <Slider.Track className="relative block w-full">{children}</Slider.Track>
      <Slider.Thumb aria-label={label} aria-valuetext={valueText} className="group block w-0 outline-none">
        <span className="-translate-x-1/2 -translate-y-1/2 absolute block rounded-md group-focus-visible:outline-3 group-focus-visible:outline-rim">
          {thumb}
        </span>
      </Slider.Thumb>
    </Slider.Root>
  );
}
