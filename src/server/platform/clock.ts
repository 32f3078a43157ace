import { systemClock } from "@/adapters/system-clock";
import { dayIn } from "@/core/time";
import type { ClockPort } from "@/ports/clock";

let clock: ClockPort = systemClock;

/** The one place where the server reads the clock. */
export const now = (): Date => clock.now();

/** For the loader of a demonstration alone: from here on its past is played, and everything happens at that clock's time. */
export function playBy(port: ClockPort): void {
  clock = port;
}

/** Today in a time zone, as an ISO date. */
export const todayIn = (zone: string): string => dayIn(zone, now());
