import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { client, dataOf, type Recipe, type Schemas } from "../../api/client";
import { recipeQueries } from "../../api/queries";
import { Button } from "../../ui/Button";
import { TextField } from "../../ui/Field";
import { Popover, PopoverClose } from "../../ui/Popover";
import { dayOf } from "../../units/time";

type Props = { id: number; flush: () => Promise<void>; onGoBack: (recipe: Recipe) => void };

/** Keep the recipe as it is, for good, under a name; and go back to what was kept. */
export function Versions({ id, flush, onGoBack }: Props) {
  const [open, setOpen] = useState(false);
  const [name, setName] = useState("");
  const queries = useQueryClient();
  const { data } = useQuery(recipeQueries.versions(id));
  const keep = useMutation({
    mutationFn: async () => {
      await flush();
      return dataOf(
        client.POST("/api/recipes/{recipe_id}/versions", {
          params: { path: { recipe_id: id } },
          body: { name },
        }),
      );
    },
    onSuccess: () => {
      setName("");
      setOpen(false);
      return queries.invalidateQueries({ queryKey: recipeQueries.versions(id).queryKey });
    },
  });
  return (
    <Popover open={open} onOpenChange={setOpen} label="Versions" trigger={<Button>Save this version</Button>}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          keep.mutate();
        }}
      >
        <TextField
          label={`Name, or leave empty for “Version ${(data?.versions[0]?.number ?? 0) + 1}”`}
          maxLength={200}
          value={name}
          problem={keep.error ? keep.error.message : null}
          onChange={(event) => setName(event.target.value)}
        />
        <Button type="submit" look="filled" className="mt-2 w-full" disabled={keep.isPending}>
          Save this version
        </Button>
      </form>
      {data && data.versions.length > 0 && (
        <>
          <h2 className="mt-4 font-bold">Saved versions</h2>
          <ul className="mt-1">
            {data.versions.map((version) => (
              <VersionRow key={version.number} version={version} onGoBack={onGoBack} />
            ))}
          </ul>
        </>
      )}
    </Popover>
  );
}

function VersionRow({
  version,
  onGoBack,
}: {
  version: Schemas["KeptVersion"];
  onGoBack: (recipe: Recipe) => void;
}) {
  const day = dayOf(version.kept_at, "date");
  return (
    <li className="flex items-center justify-between gap-2">
      <span dir="auto" className="min-w-0 truncate">
        {version.name} <span className="text-ash text-sm">{day}</span>
      </span>
      <PopoverClose asChild>
        <Button
          look="plain"
          onClick={() => onGoBack(version.recipe)}
          aria-label={`Go back to ${version.name}`}
        >
          Go back
        </Button>
      </PopoverClose>
    </li>
  );
}
