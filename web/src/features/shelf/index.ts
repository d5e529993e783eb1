export { EatFirst } from "./EatFirst";
export { LabelSheet } from "./LabelSheet";
export { LastTimes } from "./LastTimes";
export { OntoShelf } from "./OntoShelf";
export { PutAway } from "./PutAway";
