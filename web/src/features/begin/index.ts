export { WaysIn } from "./WaysIn";
