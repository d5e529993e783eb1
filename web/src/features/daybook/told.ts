import type { Schemas } from "../../api/client";
import { mass, temperature, type Units } from "../../units/units";

/** What happened, in the cook's words. */
export function told(
  event: Schemas["EventOut"],
  run: Schemas["RunOut"],
  nameOf: (position: number) => string,
  units: Units,
): string {
  const { data } = event;
  const degrees = (c: unknown) => temperature(Number(c), units);
  const at = typeof data.c === "number" ? `, at ${degrees(data.c)}` : "";
  const title = (key: unknown) => run.steps.find((step) => step.key === key)?.title ?? String(key);
  switch (event.kind) {
    case "step":
      return `${title(data.key)}${at}`;
    case "gate":
      return `${title(data.key)}: ${data.gate === "cue" ? "cue" : "question"} ${ANSWERS[String(data.answer)] ?? "not yet"}${at}`;
    case "mark":
      return `${data.name}${at}`;
    case "weight":
      return `Weighed ${mass(Number(data.g), units)} of ${nameOf(Number(data.position))}`;
    case "spill":
      return `Some was spilled, ${mass(Number(data.g), units)} were left`;
    case "pan":
      return `Pan ${mass(Number(data.start_g), units)}, then ${mass(Number(data.now_g), units)}`;
    case "burst":
      return `Burst of ${data.seconds} s`;
    case "probe":
      return `Readings from ${data.probe_id} from here`;
    case "set":
      if (data.start) return "It went in to set";
      if (data.now_c !== undefined) return `Reads ${degrees(data.now_c)} while it sets`;
      return data.passed ? "Holds its mark" : "Still sticks";
    case "verdict":
      return `Verdict: ${(data.words as string[] | undefined)?.join(", ") || "noted"}`;
    case "end":
      return "Done";
    default:
      return String(data.text ?? event.kind);
  }
}

const ANSWERS: Record<string, string> = { skipped: "passed by", yes: "yes" };
