export { GuideLinks } from "./GuideLinks";
export { Outline } from "./Outline";
export { PlanDrawing } from "./PlanDrawing";
export { type Pressed, ScaledFigure } from "./ScaledFigure";
export { type Band, drawnPart, SectionDrawing, SHELL } from "./SectionDrawing";
export { FILLINGS, measuresText } from "./scale";
export { VesselForm } from "./VesselForm";
export { KINDS } from "./vesselShapes";
