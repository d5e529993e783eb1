export { BeginPage } from "./BeginPage";
export { WaysIn } from "./WaysIn";
