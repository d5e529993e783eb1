import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { ApiError, client, dataOf } from "../../api/client";
import { newKey } from "../../api/outbox";
import { serverNow } from "../../api/serverTime";
import { Button } from "../../ui/Button";
import { NumberField } from "../../ui/NumberField";
import { Sure } from "../../ui/Sure";
import { dayOf } from "../../units/time";
import { numberIn } from "../../units/units";
import { Advice } from "./Advice";
import { dayIso } from "./day";
import { LabelSheet } from "./LabelSheet";
import { shelfQuery } from "./queries";
import { daysText, type Making, MOVE_WORDS } from "./words";

/** One making: the days that it has left as a length that shrinks, where it lies, and what happens to it. */
export function MakingRow({ making }: { making: Making }) {
  const queries = useQueryClient();
  const [typed, setTyped] = useState("1");
  const path = { making_id: making.id };
  const refresh = () => queries.invalidateQueries({ queryKey: shelfQuery.queryKey });
  const move = useMutation({
    mutationFn: (what: string) => {
      const pieces = numberIn(typed) ?? 0;
      const body = { client_key: newKey(), on_day: dayIso(serverNow()), what, pieces };
      return dataOf(client.POST("/api/shelf/{making_id}/moves", { params: { path }, body }));
    },
    onSettled: refresh,
  });
  const back = useMutation({
    mutationFn: (moveId: number) => {
      const params = { path: { ...path, move_id: moveId } };
      return dataOf(client.DELETE("/api/shelf/{making_id}/moves/{move_id}", { params }));
    },
    onSettled: refresh,
  });
  const remove = useMutation({
    mutationFn: () => dataOf(client.DELETE("/api/shelf/{making_id}", { params: { path } })),
    onSettled: refresh,
  });
  const { standing, lasting, moves } = making;
  const refused = [move.error, back.error].find((error) => error instanceof ApiError);
  const last = moves.at(-1);
  const over = standing.days_left < 0;
  return (
    <li className="border-line border-b py-3">
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <b dir="auto" className="text-[1.1875rem]">
          {making.name}
        </b>
        <span className={over || standing.days_left === 0 ? "font-bold text-copper" : ""}>
          {daysText(standing.days_left)}
        </span>
      </div>
      <div aria-hidden="true" className="mt-1 h-2 rounded-full bg-rim-faint">
        <div
          className={`h-2 rounded-full ${over ? "bg-copper" : "bg-butter-deep"}`}
          style={{ width: `${shareLeft(making) * 100}%` }}
        />
      </div>
      <p className="mt-1 text-ash">
        {standing.pieces_left} of {making.pieces} left, made {dayOf(making.made_on, "date")},{" "}
        {lasting.use_by ? "use by" : "best before"} {dayOf(making.until, "date")}. {making.place}
      </p>
      {over && standing.pieces_left > 0 && (
        <p className="text-copper">
          {lasting.use_by
            ? "Past its use-by date: throw it away. It can be unsafe without looking or smelling so."
            : "Past its best-before date. If in doubt, throw it away: an estimate never says that it is safe."}
        </p>
      )}
      {standing.pieces_left > 0 && (
        <div className="mt-2 flex flex-wrap items-end gap-2">
          <div className="w-24">
            <NumberField label="Pieces" value={typed} onChange={(event) => setTyped(event.target.value)} />
          </div>
          {(["eaten", "given", "thrown-away"] as const).map((what) => (
            <Button key={what} disabled={move.isPending} onClick={() => move.mutate(what)}>
              {MOVE_WORDS[what]}
            </Button>
          ))}
          {standing.is_frozen ? (
            <Button look="plain" disabled={move.isPending} onClick={() => move.mutate("thawed")}>
              Mark as thawed
            </Button>
          ) : (
            lasting.may_freeze &&
            !moves.some((row) => row.what === "frozen") && (
              <Button look="plain" disabled={move.isPending} onClick={() => move.mutate("frozen")}>
                Freeze the rest
              </Button>
            )
          )}
        </div>
      )}
      {refused && (
        <p role="alert" className="mt-1 text-copper">
          {refused.problem.errors[0]
            ? `${refused.problem.errors[0].message}. Allowed: ${refused.problem.errors[0].allowed}.`
            : refused.problem.detail}
        </p>
      )}
      {last && (
        <p className="mt-1 flex flex-wrap items-center gap-x-3 text-[0.9375rem] text-ash">
          Last: {last.pieces > 0 && `${last.pieces} `}
          {MOVE_WORDS[last.what]}, {dayOf(last.on_day, "date")}
          <Button look="plain" disabled={back.isPending} onClick={() => back.mutate(last.id)}>
            Take that back
          </Button>
        </p>
      )}
      {standing.pieces_left > 0 && (
        <LabelSheet of={`/api/shelf/${making.id}`} name={making.name} most={making.pieces} />
      )}
      <details>
        <summary className="min-h-11 cursor-pointer content-center text-rim">
          How it is kept, and more
        </summary>
        <Advice lasting={lasting} />
        <Sure
          words="Delete this making"
          goes={`“${making.name}” of ${dayOf(making.made_on, "date")} goes, with what happened to it.`}
          disabled={remove.isPending}
          onSure={() => remove.mutate()}
        />
      </details>
    </li>
  );
}

function shareLeft({ standing }: Making): number {
  return Math.min(1, Math.max(0, (standing.days_left + 1) / (standing.days_in_all + 1)));
}
