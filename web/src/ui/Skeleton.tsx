/** In place of a page while it is fetched: its three columns, empty, at once. */
export function Skeleton() {
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
