export { EatFirst } from "./EatFirst";
export { LabelSheet } from "./LabelSheet";
export { PutAway } from "./PutAway";
