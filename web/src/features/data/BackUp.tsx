import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { client, dataOf } from "../../api/client";
import { Button } from "../../ui/Button";
import { sizeText } from "./words";

const KEY = ["data", "backup"];
const LOOK_MS = 500;

/** Makes a backup beside everything else, says how far it is, and saves it as one file when it is ready. */
export function BackUp() {
  const queries = useQueryClient();
  const { data } = useQuery({
    queryKey: KEY,
    queryFn: ({ signal }) => dataOf(client.GET("/api/data/backup", { signal })),
    refetchInterval: ({ state }) => (state.data?.state === "making" ? LOOK_MS : false),
    staleTime: 0,
  });
  const start = useMutation({
    mutationFn: () => dataOf(client.POST("/api/data/backup")),
    onSuccess: (made) => queries.setQueryData(KEY, made),
  });
  const isMine = start.isSuccess;
  const isReady = data?.state === "ready";
  useEffect(() => {
    if (!isMine || !isReady) return;
    window.location.assign("/api/data/backup.zip");
    start.reset();
    void queries.invalidateQueries({ queryKey: KEY });
  }, [isMine, isReady, queries, start.reset]);
  const making = data?.state === "making";
  const failed = data?.state === "failed" ? data.problem : start.error?.message;
  return (
    <>
      <Button look="filled" disabled={making || start.isPending} onClick={() => start.mutate()}>
        Back up now, as one file
      </Button>
      <span role="status">
        {making && (
          <>
            <progress
              className="h-3 w-40 appearance-none overflow-hidden rounded bg-line [&::-moz-progress-bar]:bg-rim [&::-webkit-progress-bar]:bg-line [&::-webkit-progress-value]:bg-rim"
              max={1}
              value={data.share}
              aria-label="How far the backup is"
            />{" "}
            {Math.round(100 * data.share)} %
          </>
        )}
        {isReady && (
          <a
            href="/api/data/backup.zip"
            className="inline-flex min-h-11 items-center font-bold text-rim underline"
          >
            Save the backup, {sizeText(data.bytes)}
          </a>
        )}
      </span>
      {failed && (
        <span role="alert" className="text-copper">
          {failed}
        </span>
      )}
    </>
  );
}
