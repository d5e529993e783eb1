import { Component, type ReactNode } from "react";
import { Button } from "../ui/Button";

/** In place of a page that could not be fetched or drawn: it says so, and what was typed is safe. */
export class Mishap extends Component<{ children: ReactNode }, { failed: boolean }> {
  override state = { failed: false };

  static getDerivedStateFromError() {
    return { failed: true };
  }

  override render() {
    if (!this.state.failed) return this.props.children;
    return (
      <main className="mx-auto w-full max-w-xl p-8">
        <h1 className="font-display font-semibold text-3xl">This page could not be opened</h1>
        <p className="my-3">
          The application may not answer just now. What you did before is kept; try again when it runs.
        </p>
        <Button look="filled" onClick={() => window.location.reload()}>
          Try again
        </Button>
      </main>
    );
  }
}
