import { sql } from "drizzle-orm";
import { cookies } from "next/headers";
import { redirect } from "next/navigation";
import { cache } from "react";
import { type Actor, appDatabase, inDistrict, type Transaction } from "@/db/client";
import type { Role } from "@/core/roles";
import { ownSession } from "../accounts/sign-in";
import { Refusal } from "./faults";

export const DISTRICT_COOKIE = "sentinel.district";

export interface Place {
  districtId: string;
  name: string;
  /** the person's name as this district knows it: with this one signs here */
  personName: string;
  roles: Role[];
}

export interface Member extends Place, Actor {
  email: string;
  places: Place[];
}

/** The districts that a person belongs to. */
export async function placesOf(personId: string): Promise<Place[]> {
  const { rows } = await appDatabase().execute<{
    district_id: string;
    name: string;
    person_name: string;
    roles: Role[];
  }>(sql`SELECT district_id, name, person_name, roles FROM districts_of(${personId})`);
  return rows.map((row) => ({
    districtId: row.district_id,
    name: row.name,
    personName: row.person_name,
    roles: row.roles,
  }));
}

/** Whoever is signed in, in the district that was chosen; null if nobody is, or belongs to none. */
export const currentMember = cache(async (): Promise<Member | null> => {
  const session = await ownSession();
  if (!session) return null;
  const places = await placesOf(session.userId);
  const chosen = (await cookies()).get(DISTRICT_COOKIE)?.value;
  const place = places.find((p) => p.districtId === chosen) ?? places[0];
  if (!place) return null;
  return { ...place, personId: session.userId, email: session.email, places };
});

/** For pages: sends whoever is not signed in to the sign-in page. */
export async function memberOrSignIn(): Promise<Member> {
  return (await currentMember()) ?? redirect("/sign-in");
}

/** For actions and route handlers: refuses with 401 or 403. */
export async function requireRole(...roles: Role[]): Promise<Member> {
  const member = await currentMember();
  if (!member) throw new Refusal(401, "You are not signed in.");
  if (roles.length > 0 && !roles.some((role) => member.roles.includes(role)))
    throw new Refusal(403, `This needs the role of ${roles.join(" or ")}; you are ${member.roles.join(", ")} here.`);
  return member;
}

/** Work in the member's district, as that member. */
export function asMember<T>(member: Member, work: (tx: Transaction) => Promise<T>): Promise<T> {
  return inDistrict(member.districtId, work, member);
}

/**
 * For what a device sends later: refuses it where it was made by another person, or for another district, than is signed in now.
 * @param madeFor district and person as the device noted them, or null where it did not
 */
export function checkMadeFor(member: Member, madeFor: string | null): void {
  if (madeFor !== null && madeFor !== deviceKey(member))
    throw new Refusal(
      409,
      "This was made by another person, or in another district, than is signed in now. It waits on this device for them.",
      [],
      "sign-in",
    );
}

/** Whose drafts and findings a device keeps: district and person. */
export const deviceKey = (member: Pick<Member, "districtId" | "personId">): string =>
  `${member.districtId}.${member.personId}`;
