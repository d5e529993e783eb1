export { DataWarning } from "./DataWarning";
