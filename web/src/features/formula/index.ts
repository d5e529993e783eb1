export { FormulaPage } from "./FormulaPage";
