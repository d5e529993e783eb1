import { Door } from "../../ui/Door";

/** The ways to begin something, each whole in an empty kitchen. */
export function WaysIn() {
  return (
    <ul aria-label="Ways to begin" className="mt-1 grid gap-2">
      <Door to="/read" title="Read a card">
        paste a recipe, or open a file
      </Door>
      <Door to="/new" title="Start a recipe">
        from scratch, for a tin or mould, or with what you have
      </Door>
    </ul>
  );
}
