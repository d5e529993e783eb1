import type { ReactNode } from "react";
import { Button } from "../../ui/Button";
import { Popover } from "../../ui/Popover";

type Props = { of: string; failed: Error | null; children: ReactNode };

/** What can be done with one thing of a list, shown when it is asked for. */
export function Actions({ of, failed, children }: Props) {
  return (
    <Popover
      label={`Actions for ${of}`}
      align="end"
      trigger={
        <Button look="plain" aria-label={`Actions for ${of}`} className="-my-1 min-w-11 shrink-0 px-0">
          <span aria-hidden="true" className="tracking-widest">
            •••
          </span>
        </Button>
      }
    >
      <div className="grid justify-items-start">
        {children}
        {failed && (
          <p role="alert" className="px-3 text-copper">
            {failed.message}
          </p>
        )}
      </div>
    </Popover>
  );
}
