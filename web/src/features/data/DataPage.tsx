import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { ApiError, client, dataOf, type Problem, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Skeleton } from "../../ui/Skeleton";
import { Sure } from "../../ui/Sure";
import { dayOf, momentText } from "../../units/time";
import { BackUp } from "./BackUp";
import { dataQuery } from "./dataQuery";
import { sizeText } from "./words";

/** Your data: where it lies, backed up and put back, everything as open files. */
export function DataPage() {
  const { data } = useQuery(dataQuery);
  const queries = useQueryClient();
  const forget = useMutation({
    mutationFn: () => dataOf(client.DELETE("/api/data/automatic")),
    onSuccess: () => queries.invalidateQueries({ queryKey: dataQuery.queryKey }),
  });
  if (!data) return <Skeleton />;
  const [last] = data.automatic;
  return (
    <main className="mx-auto w-full max-w-4xl px-6 py-4 max-md:px-3">
      <h1 className="font-display font-semibold text-3xl">
        {last ? `Last automatic backup: ${dayOf(last.day, "dated")}` : "Not backed up yet"}
      </h1>
      {data.warning && (
        <p role="alert" className="mt-2 rounded-md bg-copper-pale px-3 py-2 text-copper">
          {data.warning}
        </p>
      )}
      <p className="mt-1 text-[1.0625rem]">
        All that you keep here, {sizeText(data.database_bytes + data.photographs_bytes)}
        {data.photographs > 0 && ` with ${data.photographs} photographs`}, is stored on this computer in{" "}
        <code className="break-all rounded bg-rim-faint px-1">{data.folder}</code>. The file ending in -wal
        belongs to it: a copy of the data file alone can be without what was stored last. A backup holds all
        of it.
      </p>
      <section aria-label="Back up" className="mt-5">
        <h2 className="font-bold text-xl">Back up</h2>
        <p className="mt-1 flex flex-wrap items-center gap-x-5 gap-y-2">
          <BackUp />
          <a
            href="/api/data/everything.zip"
            className="inline-flex min-h-11 items-center font-bold text-rim underline"
          >
            Everything as open files (JSON and CSV)
          </a>
        </p>
        <p className="mt-1 text-[0.9375rem] text-ash">
          It is taken while Hearth Bowl runs. Keep it on another disk: this one may break.
        </p>
      </section>
      <Restore />
      <section aria-label="Automatic backups" className="mt-5">
        <h2 className="font-bold text-xl">Daily automatic backups</h2>
        <p className="text-[0.9375rem] text-ash">
          One of each of the last seven days, then one a week for two months, in the folder automatic-backups
          beside the data. What you delete stays in those that were made before, until those are replaced.
        </p>
        <ul className="mt-1">
          {data.automatic.map((row) => (
            <li
              key={row.day}
              className="flex min-h-11 items-center justify-between gap-4 border-line border-b"
            >
              <span>{dayOf(row.day, "dated")}</span>
              <span className="flex items-center gap-5">
                <span className="text-ash">{sizeText(row.bytes)}</span>
                <a
                  href={`/api/data/automatic/${row.day}.zip`}
                  className="inline-flex min-h-11 items-center font-bold text-rim underline"
                >
                  Save it elsewhere
                </a>
              </span>
            </li>
          ))}
        </ul>
        {data.automatic.length > 0 && (
          <Sure
            words="Delete all of these"
            goes="What you have deleted so far is gone from the automatic backups too. Tomorrow a new one is made."
            disabled={forget.isPending}
            onSure={() => forget.mutate()}
          />
        )}
      </section>
      {data.aside.length > 0 && <Aside rows={data.aside} />}
      <p className="mt-5">
        <Link to="/notices" className="inline-flex min-h-11 items-center text-rim underline">
          The version, and what ships with it
        </Link>
      </p>
    </main>
  );
}

function Aside({ rows }: { rows: readonly Schemas["OldKitchen"][] }) {
  return (
    <section aria-label="Previous data" className="mt-5">
      <h2 className="font-bold text-xl">Previous data</h2>
      <p className="text-[0.9375rem] text-ash">
        What was there before a backup was put back. Delete these folders yourself once you are sure.
      </p>
      <ul>
        {rows.map((row) => (
          <li key={row.folder} className="flex justify-between gap-4 border-line border-b py-1.5">
            <code className="break-all">{row.folder}</code>
            <span className="text-ash">{sizeText(row.bytes)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Put a backup back: it says first which file, and what happens to what is here. */
function Restore() {
  const queries = useQueryClient();
  const [file, setFile] = useState<File | null>(null);
  const restore = useMutation({
    mutationFn: async (wanted: File): Promise<Schemas["BackupTold"]> => {
      const answer = await fetch("/api/data/restore", {
        method: "POST",
        headers: { "Content-Type": "application/zip" },
        body: wanted,
      });
      const said: unknown = await answer.json();
      if (!answer.ok) throw new ApiError(answer.status, said as Problem);
      return said as Schemas["BackupTold"];
    },
    onSuccess: () => {
      setFile(null);
      void queries.resetQueries();
    },
  });
  return (
    <section aria-label="Put a backup back" className="mt-5">
      <h2 className="font-bold text-xl">Put a backup back</h2>
      <p className="mt-1 flex flex-wrap items-center gap-x-5">
        <label className="inline-flex min-h-11 cursor-pointer items-center font-bold text-rim underline focus-within:outline-3">
          Choose its file
          <input
            type="file"
            accept=".zip,application/zip"
            className="sr-only"
            onChange={(event) => setFile(event.target.files?.[0] ?? null)}
          />
        </label>
        {file && (
          <>
            <span>
              {file.name}, {sizeText(file.size)}
            </span>
            <Button look="filled" disabled={restore.isPending} onClick={() => restore.mutate(file)}>
              {restore.isPending ? "It is being put back" : "Put it in this kitchen's place"}
            </Button>
          </>
        )}
      </p>
      <p className="text-[0.9375rem] text-ash">
        What is here now is kept as previous data in a folder of its own. A file that is damaged or of a newer
        Hearth Bowl is refused, and nothing is changed.
      </p>
      <p role="status" className="mt-1">
        {restore.data && `The kitchen of ${momentText(restore.data.made_at)} is back.`}
      </p>
      {restore.error && (
        <p role="alert" className="text-copper">
          {restore.error.message}
        </p>
      )}
    </section>
  );
}
