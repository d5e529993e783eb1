import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { client, dataOf, type Schemas } from "../../api/client";
import { confectionQueries } from "../../api/queries";
import { PhraseList } from "../../ui/Phrase";
import { type Asked, ROLE_WORDS } from "./words";

type Props = {
  asked: Asked;
  making: Schemas["StoredVessel"][];
  library: Schemas["LibraryOut"] | undefined;
};

/** The same in another form, or in another chocolate: taken, it is a confection of its own. */
export function Another({ asked, making, library }: Props) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const make = useMutation({
    mutationFn: async (other: { vessel: number } | { chocolate: string }) => {
      const found = await dataOf(client.POST("/api/confections/another", { body: { asked, ...other } }));
      const stored = await dataOf(client.POST("/api/confections", { body: found.asked }));
      return { stored, left: found.left_out };
    },
    onSuccess: async ({ stored, left }) => {
      await queries.invalidateQueries({ queryKey: confectionQueries.list.queryKey });
      navigate(`/confections/${stored.id}`, { state: { note: leftOutText(asked, left) } });
    },
  });
  const chocolates = library?.ingredients.filter(
    (row) => row.kind === "chocolate" || row.kind === "compound",
  );
  const hasShell = asked.parts.some((part) => part.role === "shell" || part.role === "coat");
  return (
    <p className="mt-3 border-line border-t pt-2 text-[1.0625rem] leading-[1.9]">
      The same in{" "}
      <PhraseList
        label="The same in another form"
        text="another form"
        after={hasShell ? "," : "."}
        value=""
        options={making
          .filter((row) => row.id !== asked.form.vessel)
          .map((row) => ({ value: String(row.id), text: row.name }))}
        onPick={(id) => make.mutate({ vessel: Number(id) })}
      />{" "}
      {hasShell && (
        <>
          or in{" "}
          <PhraseList
            label="The same in another chocolate"
            text="another chocolate"
            after="."
            value=""
            options={(chocolates ?? []).map((row) => ({ value: row.key, text: row.name }))}
            onPick={(chocolate) => make.mutate({ chocolate })}
          />
        </>
      )}
      {make.error && (
        <span role="alert" className="block text-copper">
          {make.error.message}
        </span>
      )}
    </p>
  );
}

/** Sentence that names the parts without room in another form; undefined where none was left out. */
export function leftOutText(asked: Asked, left: readonly number[]): string | undefined {
  const words = left.map((at) => ROLE_WORDS[asked.parts[at]?.role ?? "filling"].toLowerCase());
  return words.length > 0 ? `Left out: no room in this form for the ${words.join(", ")}.` : undefined;
}
