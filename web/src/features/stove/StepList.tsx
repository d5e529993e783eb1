import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Popover } from "../../ui/Popover";

type Run = Schemas["Run"];

/** Every step can be opened at any time. */
export function StepList({ run, at, onGo }: { run: Run; at: number; onGo: (next: number) => void }) {
  const [open, setOpen] = useState(false);
  return (
    <Popover
      label="All steps"
      open={open}
      onOpenChange={setOpen}
      trigger={
        <Button look="plain" className="min-h-16 text-[1.0625rem]">
          All steps
        </Button>
      }
    >
      <ol className="grid gap-1">
        {run.steps.map((step, position) => (
          <li key={step.key}>
            <Button
              look="plain"
              className="min-h-16 w-full text-left"
              aria-current={position === at ? "step" : undefined}
              onClick={() => {
                setOpen(false);
                onGo(position);
              }}
            >
              {position + 1}. {step.title}
              {position === at && ", now"}
            </Button>
          </li>
        ))}
      </ol>
    </Popover>
  );
}
