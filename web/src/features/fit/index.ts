export { ChocolateChoice } from "./AskForm";
export { usualAsk } from "./ask";
export { FitPage } from "./FitPage";
export { ScaledFigure } from "./ScaledFigure";
export { type Band, SectionDrawing, SHELL } from "./SectionDrawing";
export { FILLINGS } from "./scale";
