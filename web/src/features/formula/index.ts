export { FormulaPage } from "./FormulaPage";
export { GoesInto } from "./GoesInto";
export { OtherReadings } from "./OtherReadings";
export { rememberBefore } from "./story";
export { USES } from "./words";
