import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { ApiError, client, dataOf, type Recipe } from "../../api/client";
import { NumberField } from "../../ui/NumberField";
import { fixed, gramsIn, mass, numberIn, temperature, type Units } from "../../units/units";

type End = "sea_level_c" | "to_c" | "lost_g" | "water_pct";

/** Cook: type where it ends, or what the scale says is gone, and read what is left. */
export function Cook({ recipe, units }: { recipe: Recipe; units: Units }) {
  const [typed, setTyped] = useState<{ end: End; text: string }>({ end: "sea_level_c", text: "" });
  const figure = numberIn(typed.text);
  const value = typed.end.endsWith("_c")
    ? inCelsius(typed.text, units)
    : typed.end === "lost_g" && figure !== undefined
      ? gramsIn(figure, units)
      : figure;
  const asked = value !== undefined;
  const { data, error } = useQuery({
    queryKey: ["cook", recipe, typed.end, value],
    enabled: asked,
    retry: false,
    queryFn: ({ signal }) =>
      dataOf(client.POST("/api/cook", { body: { recipe, [typed.end]: value }, signal })),
  });
  const problem = error instanceof ApiError ? error.problem.errors[0] : null;
  const degrees = units.temperature === "F" ? "°F" : "°C";
  return (
    <div className="grid grid-cols-2 items-start gap-x-4 gap-y-1">
      {(
        [
          ["sea_level_c", `The recipe says, ${degrees}`],
          ["to_c", `or cooked here to, ${degrees}`],
          ["lost_g", `or the pan is lighter by, ${units.mass}`],
          ["water_pct", "or its water is to be, %"],
        ] as const
      ).map(([end, label]) => (
        <NumberField
          key={end}
          label={label}
          value={typed.end === end ? typed.text : ""}
          problem={problem?.path.includes(end) ? `${problem.message}: ${problem.allowed}` : null}
          onChange={(event) => setTyped({ end, text: event.target.value })}
        />
      ))}
      <p aria-live="polite" className="col-span-full min-h-11">
        {data && asked && !error ? (
          <>
            <strong>{fixed(data.cooked.water_left_pct, 1)} % water</strong> is left (±1.5),{" "}
            {mass(data.cooked.water_left_g, units)}. {mass(data.cooked.finished_g, units)} come out at{" "}
            {temperature(Number(data.cooked.to_c.toFixed(1)), units)}
            {data.dial_c !== null && ` (${temperature(Number(data.dial_c.toFixed(1)), units)} on your dial)`},{" "}
            {Math.round(data.cooked.evaporated_g)} g gone.
          </>
        ) : (
          <span className="text-ash">
            Temperatures are for sea level. To see how much water is gone, weigh the pan.
          </span>
        )}
      </p>
    </div>
  );
}

function inCelsius(text: string, units: Units): number | undefined {
  const own = numberIn(text);
  return own === undefined || units.temperature === "C" ? own : (own - 32) / 1.8;
}
