import { firstOf } from "@/core/items";
import { desc, eq, inArray, sql } from "drizzle-orm";
import type { Case, Costs, Model, NamedVerdict } from "@/core/identify";
import type { Transaction } from "@/db/client";
import { finding, findingEvent, site } from "@/db/schema";
import type { FindingLine } from "../findings/findings";
import type { CaseSource } from "./cases";
import { verdictOn } from "./judge-finding";
import { type Seen, seenSchema, type VerdictRecord, verdictRecordSchema } from "@/contracts/finding";

/** A finding with what was seen and what was told of it last. */
export interface OldFinding extends Pick<FindingLine, "id" | "number" | "day" | "siteId" | "siteName" | "overruled"> {
  given: NamedVerdict;
  versions: VerdictRecord["versions"];
  seen: Seen;
}

/** Most findings that are judged again at once, newest first. */
const MOST_JUDGED = 5000;

/** Findings with their observations and their last verdict, newest first; and how many there are in all. */
export async function oldFindings(tx: Transaction, id?: string): Promise<{ findings: OldFinding[]; inAll: number }> {
  const rows = await tx
    .select({ f: finding, siteName: site.name })
    .from(finding)
    .innerJoin(site, eq(site.id, finding.siteId))
    .where(id ? eq(finding.id, id) : undefined)
    .orderBy(desc(finding.day), desc(finding.number))
    .limit(MOST_JUDGED);
  if (rows.length === 0) return { findings: [], inAll: 0 };
  const { n } = firstOf(await tx.select({ n: sql<number>`count(*)::int` }).from(finding));
  const events = await tx
    .selectDistinctOn([findingEvent.findingId, findingEvent.kind])
    .from(findingEvent)
    .where(
      inArray(
        findingEvent.findingId,
        rows.map(({ f }) => f.id),
      ),
    )
    .orderBy(findingEvent.findingId, findingEvent.kind, desc(findingEvent.at), desc(findingEvent.id));
  const last = (kind: string) => new Map(events.filter((e) => e.kind === kind).map((e) => [e.findingId, e.body]));
  const [observations, verdicts] = [last("observations"), last("verdict")];
  const findings = rows.flatMap(({ f, siteName }) => {
    const seen = seenSchema.safeParse(observations.get(f.id));
    const verdict = verdictRecordSchema.safeParse(verdicts.get(f.id));
    if (!seen.success || !verdict.success) return [];
    return [
      {
        id: f.id,
        number: f.number,
        day: f.day,
        siteId: f.siteId,
        siteName,
        overruled: f.overruled,
        given: { verdict: f.verdict, taxon: verdict.data.identification.about ?? (f.overruled ? null : f.taxon) },
        versions: verdict.data.versions,
        seen: seen.data,
      },
    ];
  });
  return { findings, inAll: n };
}

export interface Rejudged extends NamedVerdict {
  because: string;
  listVersion: string;
  case: Case;
}

/** Judges an old finding again, under the costs of today or under others. */
export function rejudge(
  source: CaseSource,
  old: Pick<OldFinding, "id" | "siteId" | "seen">,
  model: Model,
  costs?: Costs,
): Rejudged {
  const { case: given, listVersion } = source.caseAt(old.siteId, { ...old.seen, id: old.id }, costs);
  return { ...verdictOn(model, given), listVersion, case: given };
}

/** Told how far a long calculation has come; it throws where that was called off. */
export type Step = (done: number, of: number) => Promise<void>;
