import { clockOf, dayOf } from "../../units/time";

/** A moment of the daybook, with its day, month and year. */
export const moment = (iso: string) => `${day(iso)}, ${clockOf(iso)}`;

/** A day of the daybook. */
export const day = (iso: string) => dayOf(iso, "dated");
