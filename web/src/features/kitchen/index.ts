export { Kitchen } from "./Kitchen";
