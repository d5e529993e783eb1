export { ChocolateChoice } from "./AskForm";
export { usualAsk } from "./ask";
export { FitPage } from "./FitPage";
export { GuideLinks } from "./GuideLinks";
export { PlanDrawing } from "./PlanDrawing";
export { type Pressed, ScaledFigure } from "./ScaledFigure";
export { type Band, drawnPart, SectionDrawing, SHELL } from "./SectionDrawing";
export { FILLINGS } from "./scale";
export { VesselForm } from "./VesselForm";
