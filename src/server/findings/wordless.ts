import { and, desc, eq, sql } from "drizzle-orm";
import { finding, findingEvent, site } from "@/db/schema";
import { plantsHere } from "../flora/amendments";
import { asMember, type Member } from "../platform/session";

export interface WordlessLine {
  findingId: string;
  number: number;
  day: string;
  siteName: string;
  /** what the finding names, in common words */
  plant: string;
  by: string;
  words: string[];
}

const MOST = 100;

/** What scouts saw and no character takes in, newest first. The database leaves out findings at protected places for who may not see them. */
export async function wordlessLines(member: Member): Promise<WordlessLine[]> {
  return asMember(member, async (tx) => {
    const rows = await tx
      .select({
        findingId: finding.id,
        number: finding.number,
        day: finding.day,
        taxon: finding.taxon,
        plantId: finding.plantId,
        siteName: site.name,
        by: finding.madeBy,
        words: sql<string[]>`${findingEvent.body} -> 'wordless'`,
      })
      .from(findingEvent)
      .innerJoin(finding, eq(finding.id, findingEvent.findingId))
      .innerJoin(site, eq(site.id, finding.siteId))
      .where(
        and(eq(findingEvent.kind, "observations"), sql`jsonb_array_length(${findingEvent.body} -> 'wordless') > 0`),
      )
      .orderBy(desc(findingEvent.at))
      .limit(MOST);
    const plants = await plantsHere(tx);
    return rows.map(({ taxon, plantId, ...row }) => ({
      ...row,
      plant: taxon ? plants.common(plants.nameNow({ taxon, plantId })) : "not named",
    }));
  });
}
