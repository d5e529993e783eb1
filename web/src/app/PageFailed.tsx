import { Component, type ReactNode } from "react";
import { useLocation } from "react-router";
import { Button } from "../ui/Button";

/** Shows the page; one that failed says so, and the next that is gone to is tried anew. */
export function PageOrFailure({ children }: { children: ReactNode }) {
  const { pathname } = useLocation();
  return <Catcher key={pathname}>{children}</Catcher>;
}

/** In place of a page that could not be fetched or drawn: it says which of the two, and what was typed is safe. */
class Catcher extends Component<{ children: ReactNode }, { error: unknown }> {
  override state = { error: null };

  static getDerivedStateFromError(error: unknown) {
    return { error };
  }

  override render() {
    const { error } = this.state;
    if (error === null) return this.props.children;
    return (
      <main className="mx-auto w-full max-w-xl p-8">
        <h1 className="font-display font-semibold text-3xl">This page could not be opened</h1>
        <p className="my-3">
          {isFetch(error)
            ? "Hearth Bowl is not answering. Your work is saved; try again when it runs."
            : "This is our mistake, not yours. Your work is saved, and the other pages work."}
        </p>
        <Button look="filled" onClick={() => window.location.reload()}>
          Try again
        </Button>
      </main>
    );
  }
}

/** Whether a part of the application could not be fetched. */
const isFetch = (error: unknown): boolean =>
  error instanceof TypeError && /import|fetch|module/i.test(error.message);
