import type { Transaction } from "@/db/client";
import { membership } from "@/db/schema";
import type { Role } from "@/core/roles";
import { accountOf, createAccount } from "@/server/accounts/auth";
import { type Person, shift } from "./world";

export async function makePeople(): Promise<{ otter: Person[]; pine: Person[] }> {
  const made: { otter: Person[]; pine: Person[] } = { otter: [], pine: [] };
  for (const person of DEMONSTRATION_PEOPLE)
    made[person.district].push({
      id:
        (await accountOf(person.email))?.id ??
        (await createAccount({ ...person, password: DEMONSTRATION_PASSWORD }, true)),
      name: person.name,
      roles: person.roles,
      licence: person.licence,
    });
  return made;
}

export async function addMembers(tx: Transaction, districtId: string, people: Person[], today: string): Promise<void> {
  const emails = new Map(DEMONSTRATION_PEOPLE.map((p) => [p.name, p.email]));
  await tx.insert(membership).values(
    people.map((p) => ({
      districtId,
      personId: p.id,
      name: p.name,
      email: emails.get(p.name) as string,
      roles: p.roles,
      licence: p.licence ?? null,
      licenceExpires: p.licence ? shift(today, 400) : null,
    })),
  );
}

/** The demonstration's invented people. Their password is public, so they exist in demonstration mode only. */
export const DEMONSTRATION_PASSWORD = "otter-valley-demo";
export interface SamplePerson {
  email: string;
  name: string;
  roles: Role[];
  what: string;
  district: "otter" | "pine";
  licence?: string;
}
export const DEMONSTRATION_PEOPLE: SamplePerson[] = [
  {
    email: "scout@otter.example",
    name: "Wren Halloway",
    roles: ["scout"],
    what: "scout: looks and records",
    district: "otter",
  },
  {
    email: "specialist@otter.example",
    name: "Bram Okonedo",
    roles: ["scout", "specialist"],
    what: "specialist: confirms, overrules, plans",
    district: "otter",
  },
  {
    email: "applicator@otter.example",
    name: "Tansy Quillfeather",
    roles: ["applicator", "scout"],
    what: "applicator: does the work and records it",
    district: "otter",
    licence: "INV-20417",
  },
  {
    email: "keeper@otter.example",
    name: "Odile Marsh",
    roles: ["keeper", "specialist", "scout", "applicator"],
    what: "keeper: people and settings, and every role",
    district: "otter",
    licence: "INV-20001",
  },
  {
    email: "visitor@otter.example",
    name: "Perrin Vale",
    roles: ["visitor"],
    what: "visitor: reads, without places of protected plants",
    district: "otter",
  },
  {
    email: "keeper@pine.example",
    name: "Sorrel Finch",
    roles: ["keeper", "specialist", "scout"],
    what: "keeper of the second district, behind the wall",
    district: "pine",
  },
];
