export { OccasionPage } from "./OccasionPage";
