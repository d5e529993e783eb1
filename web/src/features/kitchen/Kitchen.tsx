import { useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Link } from "react-router";
import { ApiError } from "../../api/client";
import { settingsQuery } from "../../api/queries";
import { Choice } from "../../ui/Choice";
import { TextField } from "../../ui/Field";
import { Option } from "../../ui/OptionList";
import { Popover } from "../../ui/Popover";
import { decimal, numberIn, temperature, useUnits } from "../../units/units";
import { useSettings } from "./useSettings";

/** The person's kitchen and units: shown in the rim, changed in place. */
export function Kitchen() {
  const { data } = useQuery(settingsQuery);
  const { save } = useSettings();
  const units = useUnits();
  const [isOpen, setOpen] = useState(false);
  const leave = () => setOpen(false);
  if (!data) return null;
  const problem = save.error instanceof ApiError ? save.error.problem.errors[0] : null;
  const at = (name: string) =>
    problem?.path.includes(name) ? `${problem.message}: ${problem.allowed}` : null;
  return (
    <Popover
      align="end"
      label="Kitchen and units"
      open={isOpen}
      onOpenChange={setOpen}
      trigger={
        <button
          type="button"
          aria-label={`Kitchen ${temperature(data.kitchen_c, units)}, altitude ${Math.round(data.altitude_m)} m`}
          className="min-h-11 whitespace-nowrap text-sm underline-offset-4 hover:underline"
        >
          Kitchen {temperature(data.kitchen_c, units)}, altitude {Math.round(data.altitude_m)} m
        </button>
      }
    >
      <div className="grid gap-3">
        <h2 className="font-bold">Your kitchen</h2>
        <Figure
          label={`Temperature, ${units.temperature === "F" ? "°F" : "°C"}`}
          value={units.temperature === "F" ? data.kitchen_c * 1.8 + 32 : data.kitchen_c}
          problem={at("kitchen_c")}
          onValue={(value) =>
            save.mutate({ ...data, kitchen_c: units.temperature === "F" ? (value - 32) / 1.8 : value })
          }
        />
        <Figure
          label="Height above the sea, m"
          value={data.altitude_m}
          problem={at("altitude_m")}
          onValue={(altitude_m) => save.mutate({ ...data, altitude_m })}
        />
        <Figure
          label={`In boiling water your thermometer shows, ${units.temperature === "F" ? "°F" : "°C"} (empty: not tested)`}
          value={ownDegrees(data.thermometer_in_boiling_water_c, units.temperature)}
          problem={at("thermometer_in_boiling_water_c")}
          onValue={(value) =>
            save.mutate({ ...data, thermometer_in_boiling_water_c: celsius(value, units.temperature) })
          }
          onEmpty={() => save.mutate({ ...data, thermometer_in_boiling_water_c: null })}
        />
        <div className="grid grid-cols-2 gap-3">
          <Figure
            label="Scale reads, g"
            value={data.scale_step_g}
            problem={at("scale_step_g")}
            onValue={(scale_step_g) => save.mutate({ ...data, scale_step_g })}
          />
          <Figure
            label="and up to, g"
            value={data.scale_most_g}
            problem={at("scale_most_g")}
            onValue={(scale_most_g) => save.mutate({ ...data, scale_most_g })}
          />
        </div>
        <h2 className="mt-1 font-bold">Your units</h2>
        <Choice
          label="Weights"
          value={data.mass_unit}
          onPick={(value) => save.mutate({ ...data, mass_unit: value })}
        >
          <Option value="g">grams</Option>
          <Option value="oz">ounces</Option>
        </Choice>
        <Choice
          label="Lengths"
          value={data.length_unit}
          onPick={(value) => save.mutate({ ...data, length_unit: value })}
        >
          <Option value="mm">millimetres</Option>
          <Option value="in">inches</Option>
        </Choice>
        <Choice
          label="Temperatures"
          value={data.temperature_unit}
          onPick={(value) => save.mutate({ ...data, temperature_unit: value })}
        >
          <Option value="C">°C</Option>
          <Option value="F">°F</Option>
        </Choice>
        <Choice
          label="Spoons and cups"
          value={data.measure}
          onPick={(value) => save.mutate({ ...data, measure: value })}
        >
          <Option value="metric">metric: spoon 15 ml, cup 250 ml</Option>
          <Option value="us">US: spoon 14.8 ml, cup 237 ml</Option>
          <Option value="imperial">imperial: spoon 17.8 ml, cup 284 ml</Option>
          <Option value="au">Australian: spoon 20 ml, cup 250 ml</Option>
        </Choice>
        <Link
          to="/thermometers"
          onClick={leave}
          className="inline-flex min-h-11 items-center font-bold text-rim underline"
        >
          Thermometers
        </Link>
        <Link
          to="/pairing"
          onClick={leave}
          className="inline-flex min-h-11 items-center font-bold text-rim underline"
        >
          Other devices: tablet, phone, gateway
        </Link>
        <Link
          to="/data"
          onClick={leave}
          className="inline-flex min-h-11 items-center font-bold text-rim underline"
        >
          Your data: backups, files
        </Link>
      </div>
    </Popover>
  );
}

type FigureProps = {
  label: string;
  value: number | null;
  problem: string | null;
  onValue: (value: number) => void;
  /** What an emptied field means; without it a number is needed. */
  onEmpty?: () => void;
};

function Figure({ label, value, problem, onValue, onEmpty }: FigureProps) {
  const shown = value === null ? "" : decimal(value, 2);
  const [text, setText] = useState(shown);
  const own = numberIn(text);
  const isEmpty = text.trim() === "";
  const unreadable = own === undefined && !(isEmpty && onEmpty);
  const given = useRef(shown);
  const give = () => {
    if (unreadable || text === given.current) return;
    given.current = text;
    if (own === undefined) onEmpty?.();
    else onValue(own);
  };
  return (
    <TextField
      label={label}
      inputMode="decimal"
      value={text}
      problem={unreadable ? "a number is needed here" : problem}
      onChange={(event) => setText(event.target.value)}
      onBlur={give}
      onKeyDown={(event) => event.key === "Enter" && give()}
    />
  );
}

function ownDegrees(celsius: number | null, unit: string): number | null {
  return celsius === null || unit !== "F" ? celsius : celsius * 1.8 + 32;
}

function celsius(own: number, unit: string): number {
  return unit === "F" ? (own - 32) / 1.8 : own;
}
