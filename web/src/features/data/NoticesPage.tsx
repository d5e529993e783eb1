import { useQuery } from "@tanstack/react-query";
import { Notice } from "../../ui/Notice";
import { Skeleton } from "../../ui/Skeleton";

type Told = {
  version: string;
  packages: { name: string; version: string; licence: string; kind: "font" | "script" | "python" }[];
};

const KINDS = { font: "Fonts", script: "Scripts of the pages", python: "Python packages" } as const;

/** What ships with Hearth Bowl, with each licence, made from the lock files when the pages are built. */
export function NoticesPage() {
  const { data, error } = useQuery({
    queryKey: ["notices"],
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
    queryFn: async ({ signal }): Promise<Told> => {
      const answer = await fetch("/assets/notices.json", { signal });
      if (!answer.ok) throw new Error("there are no notices here");
      return answer.json();
    },
  });
  if (error)
    return (
      <Notice title="The notices are not here" text="They are written when ./hearth builds the pages." />
    );
  if (!data) return <Skeleton />;
  return (
    <main className="mx-auto w-full max-w-4xl px-6 py-4 max-md:px-3">
      <h1 className="font-display font-semibold text-3xl">
        Hearth Bowl {data.version}, and what ships with it
      </h1>
      {(["font", "script", "python"] as const).map((kind) => (
        <section key={kind} aria-label={KINDS[kind]} className="mt-4">
          <h2 className="font-bold text-xl">{KINDS[kind]}</h2>
          <ul className="mt-1 columns-2 gap-x-8 max-md:columns-1">
            {data.packages
              .filter((row) => row.kind === kind)
              .map((row) => (
                <li
                  key={row.name + row.version}
                  className="flex justify-between gap-3 border-line border-b py-1"
                >
                  <span className="min-w-0 break-words">
                    {row.name} <span className="text-ash">{row.version}</span>
                  </span>
                  <span className="text-right text-ash">{row.licence}</span>
                </li>
              ))}
          </ul>
        </section>
      ))}
    </main>
  );
}
