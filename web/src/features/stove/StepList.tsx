import { type ComponentProps, type ReactNode, useState } from "react";
import { Button } from "../../ui/Button";
import { Popover } from "../../ui/Popover";
import { LineOfActs } from "./LineOfActs";

/** Every step can be opened at any time, where there is no room for the line beside it. */
export function StepList({
  children,
  ...props
}: ComponentProps<typeof LineOfActs> & { children?: ReactNode }) {
  const [open, setOpen] = useState(false);
  return (
    <Popover
      label="All steps"
      open={open}
      onOpenChange={setOpen}
      trigger={
        <Button look="plain" className="min-h-16 text-[1.0625rem] xl:hidden">
          All steps
        </Button>
      }
    >
      <LineOfActs
        {...props}
        onGo={(act) => {
          setOpen(false);
          props.onGo(act);
        }}
      />
      {children}
    </Popover>
  );
}
