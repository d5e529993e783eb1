import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { fixed } from "../../units/units";

type Props = {
  learned: NonNullable<Schemas["WorkedConfection"]["learned_loss"]>;
  onUse: (pct: number) => void;
};

/** What usually stays behind in this kitchen, offered where the usual figure is used. */
export function LossLearned({ learned, onUse }: Props) {
  return (
    <p className="mt-2 flex flex-wrap items-center gap-x-3 text-[0.9375rem]">
      In your kitchen {fixed(learned.pct, 1)} % stays in bowl and bag, usually {fixed(learned.usual_pct, 0)} %
      ({learned.batches}).
      <Button look="plain" onClick={() => onUse(learned.pct)}>
        Use {fixed(learned.pct, 1)} %
      </Button>
    </p>
  );
}
