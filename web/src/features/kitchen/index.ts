export { FirstStart } from "./FirstStart";
export { Kitchen } from "./Kitchen";
