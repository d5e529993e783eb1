import { Dialog as Parts } from "radix-ui";
import { createContext, type ReactNode } from "react";

type Props = {
  title: string;
  trigger: ReactNode;
  children: ReactNode;
  open: boolean;
  onOpenChange: (open: boolean) => void;
};

/** Whether something stands in a dialog: what it opens lies above it. */
export const InDialog = createContext(false);

/** A larger piece of work before the page behind goes on; Escape or its key leaves it. */
export function Dialog({ title, trigger, children, open, onOpenChange }: Props) {
  return (
    <Parts.Root modal={false} open={open} onOpenChange={onOpenChange}>
      <Parts.Trigger asChild>{trigger}</Parts.Trigger>
      <Parts.Portal>
        <div aria-hidden="true" className="fixed inset-0 z-60 bg-soot/40" />
        <Parts.Content
          aria-describedby={undefined}
          className="-translate-x-1/2 fixed top-4 left-1/2 z-70 max-h-[calc(100vh-2rem)] w-[min(58rem,calc(100vw-1.5rem))] overflow-auto rounded-lg border-[1.5px] border-rim bg-sheet p-5"
        >
          <div className="mb-3 flex items-start justify-between gap-4">
            <Parts.Title className="font-display font-semibold text-2xl">{title}</Parts.Title>
            <Parts.Close className="-mt-1 min-h-11 min-w-11 rounded-lg border-[1.5px] border-line-strong px-3 font-bold text-[0.9375rem] hover:bg-rim-faint">
              Close
            </Parts.Close>
          </div>
          <InDialog value={true}>{children}</InDialog>
        </Parts.Content>
      </Parts.Portal>
    </Parts.Root>
  );
}

export const DialogClose = Parts.Close;
