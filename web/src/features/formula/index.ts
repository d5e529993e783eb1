export { FormulaPage } from "./FormulaPage";
export { GoesInto } from "./GoesInto";
export { rememberBefore } from "./story";
