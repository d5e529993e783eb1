/** The marking guide, once the fit that it is of is stored. */
export function GuideLinks({ id, flush }: { id: number; flush: () => Promise<void> }) {
  const openGuide = (kind: string) => async (event: React.MouseEvent) => {
    event.preventDefault();
    await flush();
    window.open(`/api/recipes/${id}/fit/guide.${kind}`, "_blank", "noopener");
  };
  return (
    <p className="mt-2 print:hidden">
      Marking guide at true scale, one topping a piece:{" "}
      {["pdf", "svg"].map((kind) => (
        <a
          key={kind}
          href={`/api/recipes/${id}/fit/guide.${kind}`}
          target="_blank"
          rel="noopener"
          onClick={openGuide(kind)}
          className="mr-3 inline-flex min-h-11 items-center font-bold text-rim underline"
        >
          {kind.toUpperCase()}
        </a>
      ))}
    </p>
  );
}
