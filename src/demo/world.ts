import { Refusal } from "@/server/platform/faults";
import { isTarget, type Status } from "@/core/flora";
import type { Chance } from "@/core/random";
import type { Actor, Transaction } from "@/db/client";
import type { Role } from "@/core/roles";
import { signature } from "@/server/records/signature";
import type { SITES } from "./valley";

export const ZONE = "Etc/GMT+8";
export const OTTER = "01920000-0000-7000-8000-00000000a001";
export const PINE = "01920000-0000-7000-8000-00000000a002";
/** The district has worked with the program for a little longer than its oldest finding. */
export const SINCE_DAYS = 1100;

/** Ids that are the same in every demonstration, so that a link to one holds. */
let lastId = 0;
export const id = () => `01920000-0000-7000-8000-${(0xb00000 + lastId++).toString(16).padStart(12, "0")}`;
export const shift = (day: string, days: number) =>
  new Date(Date.parse(day) + days * 86400e3).toISOString().slice(0, 10);

export interface Person {
  id: string;
  name: string;
  roles: Role[];
  licence?: string;
}
export interface World {
  tx: Transaction;
  today: string;
  chance: Chance;
  people: Person[];
  status: Record<string, Status>;
  actions: Record<string, string>;
  exceptions: Record<string, Record<string, Status>>;
  /** plants looked at so far: the seed of the next look */
  looked: number;
}
export interface Place {
  id: string;
  index: number;
  spec: (typeof SITES)[number];
}

export const actorOf = (person: Person): Actor => ({
  personId: person.id,
  personName: person.name,
  roles: person.roles,
});
/** What a person signs, by name. */
export const signed = <P extends string>(field: P, people: Person[], name: string) =>
  signature(field, actorOf(people.find((p) => p.name === name) as Person));

export const personNamed = (people: Person[], name: string) => people.find((p) => p.name === name) as Person;
export const isTargetAt = (world: World, place: Place, name: string) =>
  isTarget(world.exceptions[place.spec.name]?.[name] ?? world.status[name] ?? "kept");

/** What a use case refuses does not happen; anything else is a fault of the loader. */
export const refusedAs =
  <T>(instead: T) =>
  (error: unknown): T => {
    if (error instanceof Refusal) return instead;
    throw error;
  };
