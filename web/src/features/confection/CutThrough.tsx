import type { ComponentProps } from "react";
import type { Schemas } from "../../api/client";
import { PartOrFailure } from "../../ui/PartOrFailure";
import { mass, type Units, useUnits } from "../../units/units";
import { GuideLinks, PlanDrawing } from "../fit";
import { ConfectionSection } from "./ConfectionSection";
import { WhatFollows } from "./Outcome";
import type { Answer, Asked } from "./words";

type Props = {
  id: number;
  asked: Asked;
  worked: Schemas["WorkedConfection"] | undefined;
  vessel: Schemas["StoredVessel"]["vessel"] | null;
  problem: Schemas["Problem"] | null;
  parts: ComponentProps<typeof ConfectionSection>["parts"];
  flush: () => Promise<void>;
};

/** The confection in a sentence and drawn, and what follows from it. */
export function CutThrough({ id, asked, worked, vessel, problem, parts, flush }: Props) {
  const units = useUnits();
  return (
    <>
      <p aria-live="polite" className="min-h-[64px] font-display font-semibold text-[1.5rem] leading-[1.2]">
        {worked ? sentence(worked.answer, units) : problem ? "This does not fit yet" : ""}
      </p>
      {problem && (
        <p role="alert" className="text-copper">
          {problem.errors[0] ? `${problem.errors[0].message}: ${problem.errors[0].allowed}` : problem.detail}
        </p>
      )}
      {worked && vessel && (
        <>
          <PartOrFailure what="the drawing">
            <ConfectionSection
              asked={asked}
              answer={worked.answer}
              tints={worked.tints}
              vessel={vessel}
              parts={parts}
            />
            {(vessel.kind === "pan" || vessel.kind === "mould") && (
              <PlanDrawing
                vessel={vessel}
                fit={worked.answer}
                kerf={asked.form.kerf_mm ?? 0}
                boxPx={[430, 180]}
              />
            )}
          </PartOrFailure>
          {worked.answer.piece_mm && vessel.kind === "pan" && (
            <GuideLinks of={`confections/${id}`} flush={flush} />
          )}
        </>
      )}
      {worked && <WhatFollows answer={worked.answer} cost={worked.cost} units={units} />}
    </>
  );
}

function sentence(answer: Answer, units: Units): React.ReactNode {
  const pours =
    answer.pours === null ? "" : answer.pours === 1 ? " in one pour" : ` in ${answer.pours} pours`;
  return (
    <>
      {answer.pieces} {answer.pieces === 1 ? "piece" : "pieces"} of {mass(answer.piece_g, units)}
      {pours},<br />
      <span className="text-rim">
        keeps {answer.keeping.days_low} to {answer.keeping.days_high} days
      </span>
    </>
  );
}
