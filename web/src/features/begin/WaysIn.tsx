import { Door } from "../../ui/Door";

/** The ways to begin something, each whole in an empty kitchen. */
export function WaysIn() {
  return (
    <ul aria-label="Ways to begin" className="mt-1 grid gap-2">
      <Door to="/read" title="Read a card">
        paste a recipe, or open a file
      </Door>
      <Door to="/new" title="Start from scratch">
        say what it is and what it is for
      </Door>
      <Door to="/new" title="Start from a tin or mould">
        say what it goes into
      </Door>
    </ul>
  );
}
