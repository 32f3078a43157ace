import { systemClock } from "@/adapters/system-clock";
import { dayIn } from "@/core/time";
import type { ClockPort } from "@/ports/clock";

let clock: ClockPort = systemClock;

/** Another clock, for tests; the one that was there is returned. */
export function setClock(other: ClockPort): ClockPort {
  const before = clock;
  clock = other;
  return before;
}

/** The one place where the server reads the clock. */
export const now = (): Date => clock.now();

/** Today in a time zone, as an ISO date. */
export const todayIn = (zone: string): string => dayIn(zone, now());
