import { usualPaper } from "../../units/paper";

/** The marking guide of a fit or a confection, once what it is of is stored. */
export function GuideLinks({ of, flush }: { of: string; flush: () => Promise<void> }) {
  const openGuide = (kind: string) => async (event: React.MouseEvent) => {
    event.preventDefault();
    await flush();
    window.open(`/api/${of}/guide.${kind}?page=${usualPaper()}`, "_blank", "noopener");
  };
  return (
    <p className="mt-2 print:hidden">
      Marking guide at true scale, one topping a piece:{" "}
      {["pdf", "svg"].map((kind) => (
        <a
          key={kind}
          href={`/api/${of}/guide.${kind}`}
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
