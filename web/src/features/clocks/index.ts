export { Alarm } from "./Alarm";
export { Clocks, RimClock } from "./Clocks";
export { startTimer, useSeconds, useTimers } from "./useTimers";
