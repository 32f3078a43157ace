import { itemAt } from "@/core/items";
import { sql } from "drizzle-orm";
import { v7 as uuidv7 } from "uuid";
import { z } from "zod";
import { DEFAULT_COSTS } from "@/core/identify";
import { plainText } from "@/core/limits";
import { isZone } from "@/core/time";
import { appDatabase, inDistrict } from "@/db/client";
import { district, membership } from "@/db/schema";
import { accountOf, createAccount } from "../accounts/auth";
import { newPassword } from "../accounts/passwords";
import { codeIsOpen, withSetUpCode } from "../accounts/set-up-code";
import { checkOwnPassword } from "./own-account";
import { emailAddress, personName } from "./person-fields";

/** True where a code from the terminal waits to be used: on a first start, and after `--new-district`. */
export const setUpIsOpen = async (): Promise<boolean> => (await needsSetUp()) || codeIsOpen();

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

/** The account of the new keeper: a new one, or the person's own, if they know its password. */
async function keeperAccount(input: z.output<typeof setUpSchema>): Promise<string> {
  const known = await accountOf(input.email);
  if (!known) return createAccount(input, false);
  await checkOwnPassword({ userId: known.id, email: input.email }, input.password);
  return known.id;
}

/** Makes a district and its keeper with a code from the terminal: the first, or a further one. The code works once. The keeper's address counts as unproved: no letter went there. */
export async function setUp(raw: unknown): Promise<string> {
  const input = setUpSchema.parse(raw);
  return withSetUpCode(input.code, async () => {
    const personId = await keeperAccount(input);
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
