import type { Schemas } from "../../api/client";
import { SlidingRule } from "../../ui/SlidingRule";
import { temperature, type Units } from "../../units/units";
import { DOES } from "./words";

const LOW_C = 0;
const HIGH_C = 38;
const NEAREST_C = 6;

type Props = {
  atC: number;
  kitchenC: number;
  zones: Schemas["Zone"][];
  units: Units;
  onChange: (atC: number) => void;
};

/** The temperature that the bowl is judged at, with what the mass does from fridge to hand. */
export function TemperatureStrip({ atC, kitchenC, zones, units, onChange }: Props) {
  const at = (celsius: number) => `${(100 * (celsius - LOW_C)) / (HIGH_C - LOW_C)}%`;
  const places = [
    { name: "Fridge", c: 5 },
    { name: "Larder", c: 14 },
    { name: "Kitchen", c: kitchenC },
    { name: "Hand", c: 33 },
  ].filter(({ name, c }) => name === "Kitchen" || Math.abs(c - kitchenC) >= NEAREST_C);
  return (
    <div className="px-6">
      <div className="relative h-4 text-[0.8125rem] text-ash" aria-hidden="true">
        {zones.map((zone) =>
          zone.high - zone.low < 2.2 ? null : (
            <span
              key={zone.texture}
              className="-translate-x-1/2 absolute"
              style={{ left: at((zone.low + zone.high) / 2) }}
            >
              {DOES[zone.texture]}
            </span>
          ),
        )}
      </div>
      <SlidingRule
        label="Judged at"
        valueText={temperature(atC, units)}
        value={atC}
        low={LOW_C}
        high={HIGH_C}
        step={0.5}
        onSlide={onChange}
        thumb={
          <span className="grid size-11 place-items-center">
            <span className="size-5 rounded-full border-2 border-sheet bg-rim shadow-[0_0_0_1.5px_var(--color-rim)]" />
          </span>
        }
      >
        <span className="relative block h-11">
          <span className="absolute top-[21px] h-0.5 w-full bg-line-strong" />
          {zones.slice(1).map((zone) => (
            <span
              key={zone.texture}
              className="absolute top-[15px] h-3.5 w-px bg-soot"
              style={{ left: at(zone.low) }}
            />
          ))}
        </span>
      </SlidingRule>
      <div className="-mt-1 relative h-11 text-[0.8125rem]">
        {places.map((place) => (
          <button
            key={place.name}
            type="button"
            onClick={() => onChange(place.c)}
            aria-pressed={place.c === atC}
            className="-translate-x-1/2 absolute min-h-11 whitespace-nowrap rounded-md px-1.5 leading-tight hover:bg-rim-faint aria-pressed:font-bold"
            style={{ left: at(place.c) }}
          >
            {place.name}
            <span className="block">{temperature(place.c, units)}</span>
          </button>
        ))}
      </div>
    </div>
  );
}
