import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { ApiError, client, dataOf } from "../../api/client";
import { newKey } from "../../api/outbox";
import { serverNow } from "../../api/serverTime";
import { Button } from "../../ui/Button";
import { TextField } from "../../ui/Field";
import { NumberField } from "../../ui/NumberField";
import { numberIn } from "../../units/units";
import { dayIso } from "./day";
import { shelfQuery } from "./queries";

type Props = {
  confectionId: number;
  pieces: number;
  /** The day that it was made; asked where it is not given. */
  made?: string;
};

/** A confection that is finished goes on the shelf, with its day and its pieces. */
export function PutAway({ confectionId, pieces, made: said }: Props) {
  const queries = useQueryClient();
  const [typedDay, setMade] = useState(() => dayIso(serverNow()));
  const made = said ?? typedDay;
  const [typed, setTyped] = useState("");
  const put = useMutation({
    mutationFn: () => {
      const body = {
        client_key: newKey(),
        confection_id: confectionId,
        made_on: made,
        pieces: numberIn(typed) ?? pieces,
      };
      return dataOf(client.POST("/api/shelf", { body }));
    },
    onSuccess: () => queries.invalidateQueries({ queryKey: shelfQuery.queryKey }),
  });
  const [refused] = put.error instanceof ApiError ? put.error.problem.errors : [];
  return (
    <div className="my-1 flex flex-wrap items-end gap-2">
      {said === undefined && (
        <TextField
          label="Made on"
          type="date"
          value={made}
          onChange={(event) => setMade(event.target.value)}
        />
      )}
      <div className="w-28">
        <NumberField
          label="Pieces"
          value={typed}
          placeholder={String(pieces)}
          onChange={(event) => setTyped(event.target.value)}
        />
      </div>
      <Button disabled={put.isPending || made === ""} onClick={() => put.mutate()}>
        Add to shelf
      </Button>
      {refused && (
        <p role="alert" className="w-full text-copper">
          {refused.message}. Allowed: {refused.allowed}.
        </p>
      )}
      {put.isSuccess && (
        <p role="status" className="w-full text-ash">
          It is on the shelf.
        </p>
      )}
    </div>
  );
}
