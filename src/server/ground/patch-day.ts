import { eq } from "drizzle-orm";
import { mustBePast } from "@/core/time";
import type { Transaction } from "@/db/client";
import { patch, site } from "@/db/schema";
import { todayIn } from "../platform/clock";
import { notFound } from "../platform/faults";

/**
 * Whether a day lies in the past at a patch, by the clock of its site.
 * @throws {Refusal} 404 where there is no such patch here; {InputError} where the day is still to come
 */
export async function mustBePastAt(tx: Transaction, patchId: string, field: string, day: string): Promise<void> {
  const [at] = await tx
    .select({ zone: site.zone })
    .from(patch)
    .innerJoin(site, eq(site.id, patch.siteId))
    .where(eq(patch.id, patchId));
  if (!at) throw notFound("The patch");
  mustBePast(field, day, todayIn(at.zone));
}
