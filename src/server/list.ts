import { createHash } from "node:crypto";
import { isNull, or, eq } from "drizzle-orm";
import type { Status } from "@/core/identify";
import type { Transaction } from "@/db/client";
import { listEntry } from "@/db/schema";

export interface PlaceList {
  status: Record<string, Status>;
  actions: Record<string, string>;
  version: string;
}

/** The district's list as it holds on one site: the district's entries, overlaid by the site's own. */
export async function listFor(tx: Transaction, siteId: string | null): Promise<PlaceList> {
  const rows = await tx.select().from(listEntry).where(siteId ? or(isNull(listEntry.siteId), eq(listEntry.siteId, siteId)) : isNull(listEntry.siteId)).orderBy(listEntry.taxon);
  const status: Record<string, Status> = {};
  const actions: Record<string, string> = {};
  for (const row of [...rows.filter((r) => !r.siteId), ...rows.filter((r) => r.siteId)]) {
    status[row.taxon] = row.status;
    if (row.action) actions[row.taxon] = row.action;
  }
  const version = createHash("sha256").update(JSON.stringify([status, actions])).digest("hex").slice(0, 12);
  return { status, actions, version };
}
