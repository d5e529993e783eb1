export { FitPage } from "./FitPage";
