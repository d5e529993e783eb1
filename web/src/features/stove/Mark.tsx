import { useState } from "react";
import { Button } from "../../ui/Button";
import { Popover } from "../../ui/Popover";

const MARKS = ["boil", "dissolved", "poured", "stirred in", "smooth"];

/** Add a time note by one of the cook's words. */
export function MarkNow({ onMark }: { onMark: (name: string) => void }) {
  const [open, setOpen] = useState(false);
  return (
    <Popover
      label="Add a time note"
      align="end"
      open={open}
      onOpenChange={setOpen}
      trigger={<Button className="min-h-16 px-5 text-[1.25rem]">Mark</Button>}
    >
      <div className="grid gap-2">
        {MARKS.map((name) => (
          <Button
            key={name}
            className="min-h-16 text-[1.125rem]"
            onClick={() => {
              setOpen(false);
              onMark(name);
            }}
          >
            {name}
          </Button>
        ))}
      </div>
    </Popover>
  );
}
