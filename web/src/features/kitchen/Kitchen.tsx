import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { ApiError, client, dataOf, type Schemas } from "../../api/client";
import { settingsQuery } from "../../api/queries";
import { Choice, TextField } from "../../ui/Field";
import { Popover } from "../../ui/Popover";
import { temperature } from "../../units/units";

type Settings = Schemas["SettingsOut"];

/** The person's kitchen and units: shown in the rim, changed in place. */
export function Kitchen() {
  const { data } = useQuery(settingsQuery);
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: (settings: Settings) => dataOf(client.PUT("/api/settings", { body: settings })),
    onSuccess: (stored) => queries.setQueryData(settingsQuery.queryKey, stored),
  });
  if (!data) return null;
  const units = {
    mass: "g",
    temperature: data.temperature_unit === "F" ? "F" : "C",
    measure: data.measure,
  } as const;
  const problem = save.error instanceof ApiError ? save.error.problem.errors[0] : null;
  return (
    <Popover
      align="end"
      label="Kitchen and units"
      trigger={
        <button
          type="button"
          aria-label={`Kitchen ${temperature(data.kitchen_c, units)}, ${Math.round(data.altitude_m)} m up`}
          className="min-h-11 text-sm underline-offset-4 hover:underline"
        >
          <span className="max-sm:hidden">Kitchen </span>
          {temperature(data.kitchen_c, units)}
          <span className="max-sm:hidden">, {Math.round(data.altitude_m)} m up</span>
        </button>
      }
    >
      <div className="grid gap-3">
        <h2 className="font-bold">Your kitchen</h2>
        <Figure
          label={`Temperature, ${units.temperature === "F" ? "°F" : "°C"}`}
          value={units.temperature === "F" ? data.kitchen_c * 1.8 + 32 : data.kitchen_c}
          problem={problem?.path.includes("kitchen_c") ? `${problem.message}: ${problem.allowed}` : null}
          onValue={(value) =>
            save.mutate({ ...data, kitchen_c: units.temperature === "F" ? (value - 32) / 1.8 : value })
          }
        />
        <Figure
          label="Height above the sea, m"
          value={data.altitude_m}
          problem={problem?.path.includes("altitude_m") ? `${problem.message}: ${problem.allowed}` : null}
          onValue={(altitude_m) => save.mutate({ ...data, altitude_m })}
        />
        <h2 className="mt-1 font-bold">Your units</h2>
        <Choice
          label="Weights"
          value={data.mass_unit}
          onChange={(event) => save.mutate({ ...data, mass_unit: event.target.value })}
        >
          <option value="g">grams</option>
          <option value="oz">ounces</option>
        </Choice>
        <Choice
          label="Temperatures"
          value={data.temperature_unit}
          onChange={(event) => save.mutate({ ...data, temperature_unit: event.target.value })}
        >
          <option value="C">°C</option>
          <option value="F">°F</option>
        </Choice>
        <Choice
          label="Spoons and cups"
          value={data.measure}
          onChange={(event) => save.mutate({ ...data, measure: event.target.value })}
        >
          <option value="metric">metric: spoon 15 ml, cup 250 ml</option>
          <option value="us">US: spoon 14.8 ml, cup 237 ml</option>
          <option value="imperial">imperial: spoon 17.8 ml, cup 284 ml</option>
          <option value="au">Australian: spoon 20 ml, cup 250 ml</option>
        </Choice>
      </div>
    </Popover>
  );
}

function Figure(props: {
  label: string;
  value: number;
  problem: string | null;
  onValue: (value: number) => void;
}) {
  const shown = String(Number(props.value.toFixed(1)));
  const [text, setText] = useState(shown);
  const value = Number(text.replace(",", "."));
  const wrong = text.trim() === "" || Number.isNaN(value) ? "a number is needed here" : props.problem;
  return (
    <TextField
      label={props.label}
      inputMode="decimal"
      value={text}
      problem={wrong}
      onChange={(event) => setText(event.target.value)}
      onBlur={() => text !== shown && !Number.isNaN(value) && text.trim() !== "" && props.onValue(value)}
    />
  );
}
