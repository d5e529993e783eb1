export { ComparePage } from "./ComparePage";
export { SideBySide } from "./SideBySide";
