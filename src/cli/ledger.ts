import { asc } from "drizzle-orm";
import { InputError } from "@/core/errors";
import { verifyChain } from "@/core/records";
import { closePools, verifyDatabase } from "@/db/client";
import { district, ledgerEntry } from "@/db/schema";
import { printJson, run } from "./output";

run(async () => {
  if (process.argv[2] !== "verify") throw new InputError("unknown-command", "command", process.argv[2], "give: verify");
  const database = verifyDatabase();
  const districts = await database.select({ id: district.districtId }).from(district);
  const entries = await database.select().from(ledgerEntry).orderBy(asc(ledgerEntry.seq));
  const checked = await Promise.all(
    districts.map(async ({ id }) => ({ id, ...(await verifyChain(entries.filter((e) => e.districtId === id))) })),
  );
  await closePools();
  printJson({ districts: checked });
  if (checked.some((c) => !c.ok)) process.exitCode = 1;
});
