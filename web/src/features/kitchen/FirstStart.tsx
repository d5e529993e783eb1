import { useQuery } from "@tanstack/react-query";
import { settingsQuery } from "../../api/queries";
import { PhraseList, PhraseNumber } from "../../ui/Phrase";
import { useSettings } from "./useSettings";

/** The first start: units, spoons and altitude in one sentence, each as usual until it is changed. */
export function FirstStart() {
  const { data } = useQuery(settingsQuery);
  const { save } = useSettings();
  if (!data) return null;
  const isImperial = data.mass_unit === "oz";
  return (
    <p className="mt-2 text-[1.125rem] leading-[1.6]">
      Your scale shows{" "}
      <PhraseList
        label="Units"
        text={isImperial ? "ounces and °F" : "grams and °C"}
        value={isImperial ? "oz" : "g"}
        options={[
          { value: "g", text: "grams and °C" },
          { value: "oz", text: "ounces and °F" },
        ]}
        onPick={(unit) =>
          save.mutate({
            ...data,
            mass_unit: unit === "oz" ? "oz" : "g",
            temperature_unit: unit === "oz" ? "F" : "C",
            length_unit: unit === "oz" ? "in" : "mm",
          })
        }
      />
      , your spoons and cups are{" "}
      <PhraseList
        label="Spoons and cups"
        text={SPOONS[data.measure] ?? data.measure}
        value={data.measure}
        options={Object.entries(SPOONS).map(([value, text]) => ({ value, text }))}
        onPick={(measure) => save.mutate({ ...data, measure: measure as typeof data.measure })}
      />
      , and your kitchen is{" "}
      <PhraseNumber
        label="Altitude"
        unit="m"
        text={`${Math.round(data.altitude_m)} m above sea level`}
        value={data.altitude_m}
        onTake={(altitude_m) => save.mutate({ ...data, altitude_m: altitude_m ?? 0 })}
      />
      .
    </p>
  );
}

const SPOONS: Record<string, string> = {
  metric: "metric",
  us: "US",
  imperial: "imperial",
  au: "Australian",
};
