export { BatchPage, DaybookPage } from "./DaybookPage";
