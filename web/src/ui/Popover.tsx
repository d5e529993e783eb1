import { Popover as Parts } from "radix-ui";
import { type ReactNode, useContext } from "react";
import { InDialog } from "./Dialog";

type Props = {
  trigger: ReactNode;
  label: string;
  children: ReactNode;
  open?: boolean;
  onOpenChange?: (open: boolean) => void;
  align?: "start" | "center" | "end";
  side?: "left" | "bottom";
  className?: string;
};

/** Something small beside what opened it; the page behind stays usable. While its own dialog is open it steps aside. */
export function Popover({
  trigger,
  label,
  children,
  open,
  onOpenChange,
  align = "start",
  side = "bottom",
  className = "",
}: Props) {
  const inDialog = useContext(InDialog);
  return (
    <Parts.Root open={open} onOpenChange={onOpenChange}>
      <Parts.Trigger asChild>{trigger}</Parts.Trigger>
      <Parts.Portal>
        <Parts.Content
          aria-label={label}
          align={align}
          side={side}
          sideOffset={6}
          collisionPadding={8}
          className={`${inDialog ? "z-80" : "z-50"} max-h-(--radix-popover-content-available-height) w-80 max-w-[calc(100vw-1rem)] overflow-auto rounded-lg border-[1.5px] border-rim bg-sheet p-4 has-[[aria-haspopup=dialog][data-state=open]]:invisible shadow-[0_6px_24px_rgb(27_33_48/0.18)] ${className}`}
        >
          {children}
        </Parts.Content>
      </Parts.Portal>
    </Parts.Root>
  );
}

export const PopoverClose = Parts.Close;
