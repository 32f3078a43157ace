import { systemClock } from "@/adapters/system-clock";
import type { ClockPort } from "@/ports/clock";

/** What the screens are given of the device. */
export const clock: ClockPort = systemClock;
