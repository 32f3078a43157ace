import { itemAt } from "@/core/items";
import { sql } from "drizzle-orm";
import { v7 as uuidv7 } from "uuid";
import { z } from "zod";
import { DEFAULT_COSTS } from "@/core/identify";
import { plainText } from "@/core/limits";
import { appDatabase, inDistrict } from "@/db/client";
import { district, membership } from "@/db/schema";
import { createAccount } from "../accounts/auth";
import { newPassword } from "../accounts/passwords";
import { withSetUpCode } from "../accounts/set-up-code";
import { Refusal } from "../platform/faults";

export const personName = plainText(2, 80, "give your name");
export const emailAddress = z.email("give an e-mail address").max(200).toLowerCase();

/** True until the first district is made. */
export async function needsSetUp(): Promise<boolean> {
  const { rows } = await appDatabase().execute<{ any: boolean }>(sql`SELECT any_district() AS any`);
  return !itemAt(rows, 0).any;
}

const setUpSchema = z.object({
  name: personName,
  email: emailAddress,
  password: newPassword,
  code: z.string().trim().max(40),
  districtName: plainText(2, 80, "name the district"),
  zone: z.string().max(60).refine(isZone, "give a time zone such as Europe/Vienna"),
  hemisphere: z.enum(["north", "south"]),
});

function isZone(zone: string): boolean {
  try {
    new Intl.DateTimeFormat("en", { timeZone: zone });
    return true;
  } catch {
    return false;
  }
}

/** Makes the district and its keeper on a first start, once. The keeper's address counts as unproved: no letter went there. */
export async function setUp(raw: unknown): Promise<string> {
  const input = setUpSchema.parse(raw);
  if (!(await needsSetUp())) throw new Refusal(409, "This has been set up already. Sign in instead.");
  return withSetUpCode(input.code, async () => {
    if (!(await needsSetUp())) throw new Refusal(409, "This has been set up already. Sign in instead.");
    const personId = await createAccount(input, false);
    const districtId = uuidv7();
    await inDistrict(
      districtId,
      async (tx) => {
        await tx.insert(district).values({
          districtId,
          name: input.districtName,
          zone: input.zone,
          hemisphere: input.hemisphere,
          costs: DEFAULT_COSTS,
        });
        await tx.insert(membership).values({
          districtId,
          personId,
          name: input.name,
          email: input.email,
          roles: ["keeper", "specialist", "scout"],
        });
      },
      { personId, personName: input.name, roles: ["keeper"] },
    );
    return districtId;
  });
}
