export { SetPage } from "./SetPage";
