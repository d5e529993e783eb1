import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { client, dataOf } from "../../api/client";
import { Button } from "../../ui/Button";
import { Popover } from "../../ui/Popover";

type Props = { kind: "recipes" | "confections"; id: number; name: string };

/** Sends a confection or a recipe: by what the device shares with, as one file, or as text. */
export function Send({ kind, id, name }: Props) {
  const [open, setOpen] = useState(false);
  const [said, setSaid] = useState("");
  const file = `/api/${kind}/${id}/shared.json`;
  const copy = useMutation({
    mutationFn: async () => {
      const { text } = await textOf(kind, id);
      await navigator.clipboard.writeText(text);
    },
    onSuccess: () => setSaid("The text is copied."),
    onError: () => setSaid("It could not be copied here."),
  });
  const share = useMutation({
    mutationFn: async () => {
      const [{ text }, content] = await Promise.all([
        textOf(kind, id),
        fetch(file).then((one) => one.text()),
      ]);
      const sent = new File([content], `${name}.json`, { type: "application/json" });
      const files = navigator.canShare?.({ files: [sent] }) ? [sent] : undefined;
      await navigator.share({ title: name, text, files });
    },
    onError: (error) => setSaid(error.name === "AbortError" ? "" : "It could not be sent from here."),
  });
  return (
    <Popover
      label={`Send ${name}`}
      open={open}
      onOpenChange={(next) => {
        setOpen(next);
        setSaid("");
      }}
      trigger={
        <Button look="plain" aria-label={`Send ${name}`}>
          Send
        </Button>
      }
    >
      <div className="grid gap-1">
        {"share" in navigator && (
          <Button look="filled" disabled={share.isPending} onClick={() => share.mutate()}>
            Send with this device
          </Button>
        )}
        <a
          href={file}
          download={`${name}.json`}
          className="inline-flex min-h-11 items-center px-3 font-bold text-rim underline"
        >
          One file, with everything in it
        </a>
        <a
          href={`/api/${kind}/${id}/${kind === "recipes" ? "recipe" : "confection"}.json`}
          className="inline-flex min-h-11 items-center px-3 text-rim underline"
        >
          As a plain file, without its versions
        </a>
        <Button look="plain" className="text-left" disabled={copy.isPending} onClick={() => copy.mutate()}>
          Copy it as text
        </Button>
        <p role="status" className="text-[0.9375rem] text-ash">
          {said}
        </p>
      </div>
    </Popover>
  );
}

function textOf(kind: Props["kind"], id: number): Promise<{ text: string }> {
  return kind === "recipes"
    ? dataOf(client.GET("/api/recipes/{recipe_id}/shared-text", { params: { path: { recipe_id: id } } }))
    : dataOf(
        client.GET("/api/confections/{confection_id}/shared-text", {
          params: { path: { confection_id: id } },
        }),
      );
}
