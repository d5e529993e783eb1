export { Send } from "./Send";
