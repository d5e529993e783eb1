export { OccasionPage } from "./OccasionPage";
export { useOccasion } from "./useOccasion";
