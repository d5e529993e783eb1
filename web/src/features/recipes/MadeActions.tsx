import { useMutation } from "@tanstack/react-query";
import { Link } from "react-router";
import { client, dataOf, type Schemas } from "../../api/client";
import { placeOf, stoveOf } from "../../api/thread";
import { Button } from "../../ui/Button";
import { Sure } from "../../ui/Sure";
import { Send } from "../sharing";
import { Actions } from "./Actions";

type Made = Schemas["MadeInList"];

const LINK = "inline-flex min-h-11 items-center px-3 font-bold text-rim underline-offset-4 hover:underline";

/** What can be done with one thing of the list, when it is asked for. */
export function MadeActions({ row, onGone }: { row: Made; onGone: () => Promise<void> }) {
  const first = row.mixes[0];
  const remove = useMutation({
    mutationFn: () =>
      dataOf(
        client.DELETE("/api/confections/{confection_id}", { params: { path: { confection_id: row.id } } }),
      ),
    onSuccess: onGone,
  });
  const archive = useMutation({
    mutationFn: (recipeId: number) =>
      dataOf(
        client.PUT("/api/recipes/{recipe_id}/put-away", {
          params: { path: { recipe_id: recipeId } },
          body: { away: !row.archived },
        }),
      ),
    onSuccess: onGone,
  });
  const copy = useMutation({
    mutationFn: (recipeId: number) =>
      dataOf(client.POST("/api/recipes/{recipe_id}/copy", { params: { path: { recipe_id: recipeId } } })),
    onSuccess: onGone,
  });
  return (
    <Actions of={row.name} failed={remove.error ?? archive.error ?? copy.error}>
      {first && (
        <Link to={stoveOf(row.id)} aria-label={`Make it now: ${row.name}`} className={LINK}>
          Make it now
        </Link>
      )}
      {row.mixes.map((mix) => (
        <span key={mix.id} className="flex flex-wrap">
          <Link to={placeOf("formula", mix.id, row.id)} className={LINK}>
            {row.mixes.length === 1 ? "Formula" : mix.name}
            {row.mixes.length === 1 && <span className="sr-only"> of {mix.name}</span>}
          </Link>
          <Link to={`/recipes/${mix.id}/card`} aria-label={`Card of ${mix.name}`} className={LINK}>
            Card
          </Link>
        </span>
      ))}
      <Send kind="confections" id={row.id} name={row.name} />
      {row.own_of !== null && (
        <Button look="plain" disabled={copy.isPending} onClick={() => copy.mutate(row.own_of ?? 0)}>
          Copy recipe
        </Button>
      )}
      {first && (
        <Button
          look="plain"
          disabled={archive.isPending}
          onClick={() => archive.mutate(row.own_of ?? first.id)}
        >
          {row.archived ? "Restore recipe" : "Archive recipe"}
        </Button>
      )}
      <Sure
        words="Delete"
        goes={`Delete “${row.name}”? Its mixes and its tin or mould stay.`}
        disabled={remove.isPending}
        onSure={() => remove.mutate()}
      />
    </Actions>
  );
}
