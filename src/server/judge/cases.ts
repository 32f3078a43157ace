import { firstOf } from "@/core/items";
import { sql } from "drizzle-orm";
import { caseAt, type Case, type Costs, type Looked } from "@/core/identify";
import type { Amendment } from "@/core/pack";
import type { Transaction } from "@/db/client";
import { district, finding, findingEvent, site } from "@/db/schema";
import { listsByPlace, type PlaceList } from "../control/list";
import { activeAmendments } from "../flora/amendments";
import { modelWith } from "../flora/flora-models";
import { plantsIn } from "../flora/plants";
import { notFound } from "../platform/faults";

/** All that this district brings to a case besides what was seen, read once: nothing of the database is needed afterward. */
export interface CaseSource {
  amendments: Amendment[];
  costs: Costs;
  /** @throws {Refusal} where the site is not here */
  caseAt(siteId: string, looked: Looked, costs?: Costs): { case: Case; listVersion: string; reportFirst: Set<string> };
}

export async function readCaseSource(tx: Transaction): Promise<CaseSource> {
  const here = firstOf(await tx.select().from(district));
  const amendments = await activeAmendments(tx);
  const model = modelWith(amendments);
  const confirmed = await confirmedCounts(tx);
  const settings = new Map(
    (await tx.select({ id: site.id, setting: site.setting }).from(site)).map((s) => [s.id, s.setting]),
  );
  const lists = await listsByPlace(tx);
  const { wrongClear, missedTarget, hold } = here.costs;
  const own = { wrongClear, missedTarget, hold };
  return {
    amendments,
    costs: own,
    caseAt(siteId, looked, costs = own) {
      const setting = settings.get(siteId);
      if (!setting) throw notFound("The site");
      const list: PlaceList = lists(siteId);
      const { hemisphere, seasonShift } = here;
      const { status, actions } = list;
      return {
        case: caseAt({ hemisphere, seasonShift, setting, list: status, actions, confirmed, costs }, looked, model),
        listVersion: list.version,
        reportFirst: list.reportFirst,
      };
    },
  };
}

/** How many findings of each plant a person confirmed, by the plant's name as it is now. The engine's own word counts for nothing here. */
export async function confirmedCounts(tx: Transaction): Promise<Record<string, number>> {
  const plants = plantsIn(modelWith(await activeAmendments(tx)).flora);
  const rows = await tx
    .select({ plantId: finding.plantId, taxon: sql<string>`min(${finding.taxon})`, n: sql<number>`count(*)::int` })
    .from(finding)
    .where(
      sql`${finding.plantId} IN (SELECT e.body ->> 'plantId' FROM ${findingEvent} e WHERE e.district_id = "finding"."district_id" AND e.finding_id = "finding"."id" AND e.kind = 'confirmation')`,
    )
    .groupBy(finding.plantId);
  return Object.fromEntries(rows.map((r) => [plants.nameNow(r), r.n]));
}
