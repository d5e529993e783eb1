export { GuideLinks } from "./GuideLinks";
export { Outline } from "./Outline";
export { PlanDrawing } from "./PlanDrawing";
export { type Pressed, ScaledFigure } from "./ScaledFigure";
export { type Band, drawnPart, outline, SectionDrawing, SHELL, SPONGE } from "./SectionDrawing";
export { FILLINGS, measuresText, profileOf, type Vessel } from "./scale";
export { VesselForm } from "./VesselForm";
export { KINDS } from "./vesselShapes";
