export { ConfectionPage } from "./ConfectionPage";
export { ConfectionsPage } from "./ConfectionsPage";
