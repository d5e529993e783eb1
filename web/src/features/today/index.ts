export { TodayPage } from "./TodayPage";
