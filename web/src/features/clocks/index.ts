export { Alarm } from "./Alarm";
export { Clocks, RimClock } from "./Clocks";
export { useSeconds } from "./useTimers";
