import { and, eq, isNotNull, sql } from "drizzle-orm";
import type { Case, Costs } from "@/core/identify";
import type { Amendment } from "@/core/pack";
import type { Transaction } from "@/db/client";
import { district, finding, site } from "@/db/schema";
import { listsByPlace, type PlaceList } from "../control/list";
import { activeAmendments } from "../flora/amendments";
import { modelWith } from "../flora/flora-models";
import { plantsIn } from "../flora/plants";
import { notFound } from "../platform/faults";

export type Looked = Pick<Case, "id" | "day" | "stage" | "kit" | "observations">;

/** All that this district brings to a case besides what was seen, read once: nothing of the database is needed afterwards. */
export interface CaseSource {
  amendments: Amendment[];
  costs: Costs;
  /** @throws {Refusal} where the site is not here */
  caseAt(siteId: string, looked: Looked, costs?: Costs): { case: Case; listVersion: string };
}

export async function readCaseSource(tx: Transaction): Promise<CaseSource> {
  const [here] = await tx.select().from(district);
  const amendments = await activeAmendments(tx);
  const plants = plantsIn(modelWith(amendments).flora);
  const known = <T>(record: Record<string, T>) =>
    Object.fromEntries(Object.entries(record).filter(([name]) => plants.byName(name)));
  const confirmed = known(await confirmedCounts(tx));
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
      return {
        case: {
          ...looked,
          hemisphere: here.hemisphere,
          seasonShift: here.seasonShift,
          setting,
          list: known(list.status),
          actions: known(list.actions),
          confirmed,
          costs,
        },
        listVersion: list.version,
      };
    },
  };
}

/** How many findings of each plant were clear to act on, by the plant's name as it is now. */
export async function confirmedCounts(tx: Transaction): Promise<Record<string, number>> {
  const plants = plantsIn(modelWith(await activeAmendments(tx)).flora);
  const rows = await tx
    .select({ plantId: finding.plantId, taxon: sql<string>`min(${finding.taxon})`, n: sql<number>`count(*)::int` })
    .from(finding)
    .where(and(isNotNull(finding.plantId), eq(finding.verdict, "clear")))
    .groupBy(finding.plantId);
  return Object.fromEntries(rows.map((r) => [plants.nameNow(r), r.n]));
}
