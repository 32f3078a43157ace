import type { Member } from "@/server/platform/session";
import { playBy } from "@/server/platform/clock";

/** Something that a person does at a moment. What it leads to is put on the agenda in its turn. */
interface Act {
  at: number;
  order: number;
  do: () => Promise<void>;
}

/** The valley's hours are eight behind those of the meridian all year. */
const HOURS_BEHIND = 8;
/** An hour and minute of a day in the valley, as an instant. */
export const instant = (day: string, hour: number, minute = 0): Date =>
  new Date(Date.parse(`${day}T00:00:00Z`) + ((hour + HOURS_BEHIND) * 60 + minute) * 60_000);

/** What happens in the valley, in the order in which it happens, up to the moment of loading. The program's clock goes with it. */
export class Agenda {
  private readonly acts: Act[] = [];
  private order = 0;
  private readonly end: Date;
  moment: Date;

  constructor(begin: Date, end: Date) {
    this.moment = begin;
    this.end = end;
    playBy({ now: () => this.moment });
  }

  /** Puts an act on the agenda; one that would lie in the future does not happen, and one in the past happens at once. */
  add(day: string, hour: number, act: () => Promise<void>): void {
    const at = Math.max(instant(day, hour, (this.order * 7) % 60).getTime(), this.moment.getTime());
    if (at > this.end.getTime()) return;
    this.acts.push({ at, order: this.order++, do: act });
  }

  async play(): Promise<void> {
    for (let next = this.take(); next; next = this.take()) {
      this.moment = new Date(next.at);
      await next.do();
    }
    this.moment = this.end;
  }

  private take(): Act | undefined {
    this.acts.sort((a, b) => a.at - b.at || a.order - b.order);
    return this.acts.shift();
  }
}

/** A person of the demonstration, as the use cases know a member. */
export const memberOf = (districtId: string, person: { id: string; name: string; roles: Member["roles"] }): Member => ({
  districtId,
  name: "",
  roles: person.roles,
  personId: person.id,
  personName: person.name,
  email: "",
  places: [],
});
