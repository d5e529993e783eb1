export { ReadCardPage } from "./ReadCardPage";
