export { BoxesPage } from "./BoxesPage";
