import { Component, type ReactNode } from "react";
import { Button } from "./Button";

type Props = {
  /** What stands here, as a sentence names it: "the drawing of the bowl". */
  what: string;
  children: ReactNode;
};

/** Shows a part of a page; where it fails it says so in its place, and the rest of the page goes on working. */
export class PartOrFailure extends Component<Props, { failed: boolean }> {
  override state = { failed: false };

  static getDerivedStateFromError() {
    return { failed: true };
  }

  override render() {
    if (!this.state.failed) return this.props.children;
    return (
      <div role="note" className="rounded-lg border-[1.5px] border-line-strong p-3">
        <p>Hearth Bowl could not show {this.props.what}. This is our mistake. The rest of the page works.</p>
        <Button className="mt-2" onClick={() => this.setState({ failed: false })}>
          Show {this.props.what} again
        </Button>
      </div>
    );
  }
}
