import { useEffect, useState } from "react";
import { Button } from "../../ui/Button";

type Props = { isBusy: boolean; onSettle: () => void };

/** A calmer plan is looked for beside the one that there is: for how long already, and the press that lets it be. */
export function Seeking({ isBusy, onSettle }: Props) {
  const [seconds, setSeconds] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => setSeconds((before) => before + 1), 1000);
    return () => clearInterval(timer);
  }, []);
  return (
    <span className="flex flex-wrap items-center gap-x-2">
      <span role="status">Looking for a calmer plan</span>
      <span aria-hidden="true" className="tabular-nums">
        {seconds} s
      </span>
      <Button look="plain" disabled={isBusy} onClick={onSettle}>
        Keep this plan
      </Button>
    </span>
  );
}
