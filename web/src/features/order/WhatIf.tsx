import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { client, dataOf, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Field";
import { momentText, spokenMinutes } from "../../units/time";

type Asked = Schemas["OccasionAsk"];
type Props = { asked: Asked; names: readonly string[]; onTake: (part: Partial<Asked>) => void };

/** What if: the order with one wish otherwise, told beside this one; one press takes it. */
export function WhatIf({ asked, names, onTake }: Props) {
  const [change, setChange] = useState("");
  const tried = useMutation({
    mutationFn: (next: string) =>
      dataOf(client.POST("/api/occasions/what-if", { body: { asked, change: next } })),
  });
  const options: [string, string][] = [
    ["cook", "one more pair of hands"],
    ["mould", "one more mould of each kind"],
    ["hours", "from 6:00 to midnight"],
    ...(asked.wishes.away.length > 0 ? ([["never-away", "never away"]] as [string, string][]) : []),
    ["later", "a day later"],
    ...(names.length > 1
      ? names.map((name, position): [string, string] => [`without:${position}`, `without ${name}`])
      : []),
  ];
  const found = tried.data;
  return (
    <div className="mt-4 print:hidden">
      <Choice
        label="What if"
        value={change}
        onChange={(event) => {
          setChange(event.target.value);
          if (event.target.value) tried.mutate(event.target.value);
          else tried.reset();
        }}
      >
        <option value="">all as it is</option>
        {options.map(([key, text]) => (
          <option key={key} value={key}>
            {text}
          </option>
        ))}
      </Choice>
      <div aria-live="polite" className="min-h-6">
        {tried.isPending && <p className="text-ash">It is worked out…</p>}
        {tried.error && (
          <p role="alert" className="text-copper">
            {tried.error.message}
          </p>
        )}
        {found && !tried.isPending && (
          <>
            <p>
              {found.feasible && found.starts_at
                ? `Begin ${momentText(found.starts_at)}: ${spokenMinutes(found.hands_on_min)} of hands in ${found.visits} visits.`
                : `That cannot be: ${found.because.join("; ")}.`}
            </p>
            {found.feasible && change === "mould" && (
              <p className="text-ash">Say how many there are at the mould itself, under Fit.</p>
            )}
            {found.feasible && change !== "mould" && (
              <Button
                onClick={() => {
                  onTake(changed(asked, change));
                  setChange("");
                  tried.reset();
                }}
              >
                Take it so
              </Button>
            )}
          </>
        )}
      </div>
    </div>
  );
}

/** The occasion with a wish otherwise, as the server tried it. */
function changed(asked: Asked, change: string): Partial<Asked> {
  const { wishes } = asked;
  if (change === "cook") return { wishes: { ...wishes, cooks: wishes.cooks + 1 } };
  if (change === "hours") return { wishes: { ...wishes, hours_from: "06:00", hours_to: "24:00" } };
  if (change === "never-away") return { wishes: { ...wishes, away: [] } };
  if (change === "later" && asked.ready_at) {
    const at = new Date(asked.ready_at);
    at.setDate(at.getDate() + 1);
    const two = (value: number) => String(value).padStart(2, "0");
    const day = `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`;
    return { ready_at: `${day}T${asked.ready_at.slice(11, 16)}` };
  }
  const gone = asked.rows[Number(change.split(":")[1])];
  return gone ? { wishes: { ...wishes, dropped: [...wishes.dropped, gone.confection_id] } } : {};
}
