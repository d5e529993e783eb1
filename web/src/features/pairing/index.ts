export { meQuery, useHelps } from "./usePairing";
