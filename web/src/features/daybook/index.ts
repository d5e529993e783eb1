export { BatchPage } from "./BatchPage";
export { DaybookPage } from "./DaybookPage";
export { LaidOverPage } from "./LaidOverPage";
export { LearnedPage } from "./LearnedPage";
