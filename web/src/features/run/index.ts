export { useLineNames } from "./lineNames";
export { lower, marksOf } from "./marks";
export { Probe, ProbeChoice, useUsualProbe } from "./Probe";
export { SETS } from "./sets";
export { TraceChart } from "./TraceChart";
export { type Happen, type Happening, useEvents } from "./useEvents";
export { carriedOn, FOLLOW_MS, useRun } from "./useRun";
export { Waiting } from "./Waiting";
