import { desc, eq, inArray } from "drizzle-orm";
import { z } from "zod";
import { type Case, caseSchema, type Costs, observationSchema, STAGES } from "@/core/identify";
import type { Model } from "@/core/identify";
import type { Told } from "@/core/outbox";
import type { Transaction } from "@/db/client";
import { finding, findingEvent, site } from "@/db/schema";
import { caseMaker, type FindingLine } from "./findings";
import { type VerdictRecord, verdictOn } from "./judge-finding";

const seenSchema = z.object({
  day: z.string(),
  stage: z.enum(STAGES).nullable(),
  kit: caseSchema.shape.kit,
  observations: z.array(observationSchema),
});

/** A finding with what was seen and what was told of it last. */
export interface OldFinding extends Pick<FindingLine, "id" | "number" | "day" | "siteId" | "siteName" | "overruled"> {
  given: Told;
  versions: VerdictRecord["versions"];
  seen: z.output<typeof seenSchema>;
}

/** Most findings that are reckoned again at once, newest first: two to three seconds on a small machine. */
export const MOST_RECKONED = 600;

/** Findings with their observations and their last verdict, newest first. */
export async function oldFindings(tx: Transaction): Promise<OldFinding[]> {
  const rows = await tx
    .select({ f: finding, siteName: site.name })
    .from(finding)
    .innerJoin(site, eq(site.id, finding.siteId))
    .orderBy(desc(finding.day), desc(finding.number))
    .limit(MOST_RECKONED);
  if (rows.length === 0) return [];
  const events = await tx
    .select()
    .from(findingEvent)
    .where(
      inArray(
        findingEvent.findingId,
        rows.map(({ f }) => f.id),
      ),
    )
    .orderBy(findingEvent.at);
  const last = (kind: string) => new Map(events.filter((e) => e.kind === kind).map((e) => [e.findingId, e.body]));
  const [observations, verdicts] = [last("observations"), last("verdict")];
  return rows.flatMap(({ f, siteName }) => {
    const seen = seenSchema.safeParse(observations.get(f.id));
    const verdict = verdicts.get(f.id) as VerdictRecord | undefined;
    if (!seen.success || !verdict) return [];
    return [
      {
        id: f.id,
        number: f.number,
        day: f.day,
        siteId: f.siteId,
        siteName,
        overruled: f.overruled,
        given: { verdict: f.verdict, taxon: verdict.identification.about ?? (f.overruled ? null : f.taxon) },
        versions: verdict.versions,
        seen: seen.data,
      },
    ];
  });
}

export interface Reckoning extends Told {
  because: string;
  listVersion: string;
  case: Case;
}

/** One reckoner for many findings: places, lists and counts are read once. */
export async function reckoner(tx: Transaction) {
  const make = await caseMaker(tx);
  return async (old: Pick<OldFinding, "id" | "siteId" | "seen">, model: Model, costs?: Costs): Promise<Reckoning> => {
    const { case: given, listVersion } = await make(old.siteId, { ...old.seen, id: old.id });
    const own = costs ? { ...given, costs } : given;
    const told = verdictOn(model, own);
    // Others wait for this process too: between two findings they are let in.
    await new Promise((resolve) => setImmediate(resolve));
    return { ...told, listVersion, case: own };
  };
}
