import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { ApiError, client, dataOf, type Recipe } from "../../api/client";
import { TextField } from "../../ui/Field";
import { temperature, type Units } from "../../units/units";
import { numberIn } from "./words";

/** Families that are cooked down: what is left by an end temperature, or by what the pan has lost. */
export const COOKED = new Set(["boiled-fudge", "simmered-fudge"]);

/** Cook: type where it ends, or what the scale says is gone, and read what is left. */
export function Cook({ recipe, units }: { recipe: Recipe; units: Units }) {
  const [to, setTo] = useState("");
  const [lost, setLost] = useState("");
  const toC = inCelsius(to, units);
  const lostG = numberIn(lost);
  const asked = toC !== undefined || lostG !== undefined;
  const { data, error } = useQuery({
    queryKey: ["cook", recipe, toC, lostG],
    enabled: asked,
    retry: false,
    queryFn: ({ signal }) =>
      dataOf(
        client.POST("/api/cook", {
          body: { recipe, to_c: toC, lost_g: toC === undefined ? lostG : undefined },
          signal,
        }),
      ),
  });
  const problem = error instanceof ApiError ? error.problem.errors[0] : null;
  const at = (name: string) =>
    problem?.path.includes(name) ? `${problem.message}: ${problem.allowed}` : null;
  return (
    <div className="grid grid-cols-[150px_170px_1fr] items-start gap-4 max-md:grid-cols-2">
      <TextField
        label={`Cooked to, ${units.temperature === "F" ? "°F" : "°C"}`}
        inputMode="decimal"
        autoComplete="off"
        value={to}
        problem={at("to_c")}
        onChange={(event) => {
          setTo(event.target.value);
          setLost("");
        }}
      />
      <TextField
        label="or the pan has lost, g"
        inputMode="decimal"
        autoComplete="off"
        value={lost}
        problem={at("lost_g")}
        onChange={(event) => {
          setLost(event.target.value);
          setTo("");
        }}
      />
      <p aria-live="polite" className="pt-5 max-md:col-span-2 max-md:pt-0">
        {data && asked && !error ? (
          <>
            <strong>{data.cooked.water_left_pct.toFixed(1)} % water</strong> is left (±1.5),{" "}
            {Math.round(data.cooked.water_left_g)} g. {Math.round(data.cooked.finished_g)} g come out at{" "}
            {temperature(Number(data.cooked.to_c.toFixed(1)), units)}
            {data.dial_c !== null && ` (${temperature(Number(data.dial_c.toFixed(1)), units)} on your dial)`},{" "}
            {Math.round(data.cooked.evaporated_g)} g gone.
          </>
        ) : (
          <span className="text-ash">Type where it ends, or weigh the pan: water lost is mass lost.</span>
        )}
      </p>
    </div>
  );
}

function inCelsius(text: string, units: Units): number | undefined {
  const own = numberIn(text);
  return own === undefined || units.temperature === "C" ? own : (own - 32) / 1.8;
}
