import type { Schemas } from "../../api/client";
import { fineMass, mass, temperature, type Units } from "../../units/units";

/** History, in the cook's words. */
export function told(
  { what }: Schemas["Event"],
  run: Schemas["Run"],
  nameOf: (position: number) => string,
  units: Units,
): string {
  const degrees = (c: number) => temperature(c, units);
  const at = "c" in what && what.c !== null ? `, at ${degrees(what.c)}` : "";
  const title = (key: string) => run.steps.find((step) => step.key === key)?.title ?? key;
  switch (what.kind) {
    case "step":
      return `${title(what.key)}${at}`;
    case "gate":
      if (what.gate === "wrong")
        return `${title(what.key)}: ${what.answer === "yes" ? "put right" : "left as it was"}`;
      return `${title(what.key)}: ${what.gate === "cue" ? "cue" : "question"} ${ANSWERS[what.answer]}${at}`;
    case "mark":
      return `${what.name}${at}`;
    case "weight":
      return `Weighed ${mass(what.g, units)} of ${nameOf(what.position)}`;
    case "spill":
      return what.g === null ? "Some spilled" : `Spilled: ${mass(what.g, units)} left`;
    case "pan":
      return `Pan ${mass(what.start_g, units)}, then ${mass(what.now_g, units)}`;
    case "call-seen":
      return `Seen: ${what.words}`;
    case "burst":
      return `Microwave burst, ${what.seconds} s`;
    case "probe":
      return `Readings from ${what.probe_id} from now on`;
    case "set-start":
      return "Timer started";
    case "set-seen":
      if (what.now_c !== null) return `Temperature ${degrees(what.now_c)} while setting`;
      return what.passed ? "Holds its mark" : "Still sticks";
    case "verdict":
      return `Verdict: ${what.words.join(", ") || "noted"}`;
    case "yield":
      return [
        what.made_g !== null && `Made ${mass(what.made_g, units)}`,
        what.filled_g !== null && `${mass(what.filled_g, units)} filled`,
        what.shell_each_g !== null && `a shell ${fineMass(what.shell_each_g, units)}`,
        what.pieces !== null && `${what.pieces} pieces`,
      ]
        .filter(Boolean)
        .join(", ");
    case "mend":
      return what.put_in.length > 0
        ? `Fixed with ${what.put_in.map((put) => mass(put.g, units)).join(", ")}`
        : "Mended";
    case "step-done":
      return "Step finished";
    case "end":
      return "Done";
    default:
      return what.text || what.kind;
  }
}

const ANSWERS = { skipped: "skipped", yes: "yes", no: "not yet" };
