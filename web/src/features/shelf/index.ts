export { EatFirst } from "./EatFirst";
export { LabelSheet } from "./LabelSheet";
export { LastTimes } from "./LastTimes";
export { PutAway } from "./PutAway";
