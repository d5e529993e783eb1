export { FormulaPage } from "./FormulaPage";
export { rememberBefore } from "./story";
