import { useMutation } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { client, dataOf, type Recipe } from "../../api/client";
import { Button } from "../../ui/Button";

/** Another window saved first: say so, and lose nothing. */
export function Conflict({ message, recipe }: { message: string; recipe: Recipe }) {
  const navigate = useNavigate();
  const copy = useMutation({
    mutationFn: () => {
      const name = `${recipe.name.slice(0, 180)} (my copy)`;
      return dataOf(client.POST("/api/recipes", { body: { recipe: { ...recipe, name } } }));
    },
    onSuccess: (stored) => navigate(`/recipes/${stored.id}/formula`),
  });
  return (
    <div role="alert" className="border-butter-rim border-y-[1.5px] bg-butter px-5 py-2">
      <p>{message}</p>
      <p className="mt-1 flex gap-2">
        <Button onClick={() => copy.mutate()} disabled={copy.isPending}>
          Keep mine as a copy
        </Button>
        <Button onClick={() => window.location.reload()}>Take the other</Button>
      </p>
    </div>
  );
}
