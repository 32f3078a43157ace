import { addDays } from "../time";

/** Monday of the week of a day, ISO dates. */
export function weekOf(day: string): string {
  const weekday = new Date(`${day}T00:00:00Z`).getUTCDay();
  return addDays(day, -((weekday + 6) % 7));
}

/** A piece of work with the days that it is meant for, the people who do it, and hours for all of them together. */
export interface PlannedHours {
  days: string[];
  people: string[];
  hours: number;
  /** share that is done already, 0 to 1 */
  doneShare: number;
}

/**
 * Hours that each person has work for in the week that begins on `monday`: what is left of the hours, in equal shares over the days
 * and the people.
 */
export function hoursOfWeek(work: PlannedHours[], monday: string): Map<string, number> {
  const end = addDays(monday, 6);
  const hours = new Map<string, number>();
  for (const { days, people, hours: all, doneShare } of work) {
    const within = days.filter((day) => day >= monday && day <= end).length;
    const share = (all * (1 - doneShare) * within) / (days.length * people.length);
    if (share > 0) for (const person of people) hours.set(person, (hours.get(person) ?? 0) + share);
  }
  return hours;
}
