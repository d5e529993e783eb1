import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { client, dataOf, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { Option } from "../../ui/OptionList";
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
    ["cook", "one more helper"],
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
        onPick={(value) => {
          setChange(value);
          if (value) tried.mutate(value);
          else tried.reset();
        }}
      >
        <Option value="">all as it is</Option>
        {options.map(([key, text]) => (
          <Option key={key} value={key}>
            {text}
          </Option>
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
                ? `Begin ${momentText(found.starts_at)}: ${spokenMinutes(found.hands_on_min)} hands-on, ${found.visits} times in the kitchen.`
                : `Not possible: ${found.because.join(" ")}`}
            </p>
            {found.feasible && !found.asked && (
              <p className="text-ash">Say how many there are at the mould itself, under Fit.</p>
            )}
            {found.feasible && found.asked && (
              <Button
                onClick={() => {
                  if (found.asked) onTake(found.asked);
                  setChange("");
                  tried.reset();
                }}
              >
                Use this plan
              </Button>
            )}
          </>
        )}
      </div>
    </div>
  );
}
