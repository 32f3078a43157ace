import { systemClock } from "@/adapters/system-clock";
import { dayIn } from "@/core/time";

/** The one place where the server reads the clock. */
export const now = (): Date => systemClock.now();

/** Today in a time zone, as an ISO date. */
export const todayIn = (zone: string): string => dayIn(zone, now());
