import { useState } from "react";
import { Button } from "./Button";
import { Popover } from "./Popover";

type Props = {
  words: string;
  goes: string;
  /** What the second key says, where nothing is deleted. */
  yes?: string;
  disabled?: boolean;
  className?: string;
  onSure: () => void;
};

/** A key for what cannot be undone: it says what goes, and asks once more. */
export function Sure({ words, goes, yes, disabled, className, onSure }: Props) {
  const [open, setOpen] = useState(false);
  return (
    <Popover
      label={words}
      open={open}
      onOpenChange={setOpen}
      trigger={
        <Button look="plain" disabled={disabled} className={className}>
          {words}
        </Button>
      }
    >
      <p>
        {goes}
        {yes === undefined && " This cannot be undone."}
      </p>
      <div className="mt-3 flex flex-wrap gap-2">
        <Button
          onClick={() => {
            setOpen(false);
            onSure();
          }}
        >
          {yes ?? "Delete"}
        </Button>
        <Button look="plain" onClick={() => setOpen(false)}>
          Cancel
        </Button>
      </div>
    </Popover>
  );
}
