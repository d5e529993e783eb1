export { ChocolateChoice } from "./AskForm";
export { usualAsk } from "./ask";
export { FitPage } from "./FitPage";
