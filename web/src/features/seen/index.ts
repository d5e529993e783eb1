export { SeeLink } from "./SeeLink";
