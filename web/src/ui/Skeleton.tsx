import { useEffect, useState } from "react";
import { useAsOf } from "../offline";

/** So long what is known of a page is looked for. */
const LOOKED_MS = 4000;

/** In place of a page while it is fetched: its three columns, empty, at once; or that it cannot be fetched now. */
export function Skeleton() {
  const isAlone = useAsOf() !== null;
  const [looked, setLooked] = useState(false);
  useEffect(() => {
    const timer = window.setTimeout(() => setLooked(true), LOOKED_MS);
    return () => window.clearTimeout(timer);
  }, []);
  if (isAlone && looked)
    return (
      <main className="mx-auto w-full max-w-xl p-8">
        <h1 className="font-display font-semibold text-3xl">This page is not available offline</h1>
        <p className="mt-2">
          It was not opened in this browser before. It appears once Hearth Bowl answers again.
        </p>
      </main>
    );
  return (
    <main
      aria-busy="true"
      className="grid flex-1 grid-cols-[340px_minmax(0,1fr)_372px] max-lg:grid-cols-2 max-md:grid-cols-1"
    >
      <p role="status" className="sr-only">
        Opening
      </p>
      {[7, 3, 9].map((rows) => (
        <div
          key={rows}
          aria-hidden="true"
          className="grid content-start gap-3 border-line border-r px-5 py-5"
        >
          <span className="h-7 w-3/5 rounded bg-line" />
          {Array.from({ length: rows }, (_, row) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: they never change
            <span key={row} className="h-4 rounded bg-line/60" />
          ))}
        </div>
      ))}
    </main>
  );
}
