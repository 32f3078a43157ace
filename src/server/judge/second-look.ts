import { firstOf } from "@/core/items";
import { and, eq } from "drizzle-orm";
import { v7 as uuidv7 } from "uuid";
import { z } from "zod";
import { engineVersion, type Model, verdictsDiffer } from "@/core/identify";
import type { SecondLooks } from "@/contracts/work";
import type { Transaction } from "@/db/client";
import { finding, findingEvent, plan } from "@/db/schema";
import { shippedModel } from "../flora/flora";
import { modelWith } from "../flora/flora-models";
import { plantsIn } from "../flora/plants";
import { mustBeReported } from "../findings/findings";
import { now } from "../platform/clock";
import { notFound, Refusal } from "../platform/faults";
import { asMember, type Member } from "../platform/session";
import { signature } from "../records/signature";
import { type CaseSource, readCaseSource } from "./cases";
import { changedVerdict } from "./changed-verdicts";
import { judgeApart } from "./judge-apart";
import { type OldFinding, oldFindings, rejudge, type Rejudged, type Step } from "./old-findings";

/** What a second look needs of the database, read before the engine begins. */
export async function readSecondLook(tx: Transaction) {
  return { source: await readCaseSource(tx), ...(await oldFindings(tx)) };
}

/** The findings that would be judged differently today, newest first, with what made the difference. Nothing is stored. */
export async function secondLook(
  { source, findings, inAll }: Awaited<ReturnType<typeof readSecondLook>>,
  step: Step,
): Promise<SecondLooks> {
  const model = modelWith(source.amendments);
  const plants = plantsIn(model.flora);
  const changed: SecondLooks["changed"] = [];
  for (const [i, old] of findings.entries()) {
    await step(i, findings.length);
    const now = rejudge(source, old, model);
    if (!verdictsDiffer(old.given, now)) continue;
    changed.push({
      ...changedVerdict(plants, old, old.given, now),
      why: reasonOf(source, old, now, model),
      because: now.because,
      overruled: old.overruled,
    });
  }
  return { changed, judged: findings.length, inAll };
}

/** What made the difference: the old costs or the shipped flora are tried again; of a list only the version was kept. */
function reasonOf(source: CaseSource, old: OldFinding, now: Rejudged, model: Model): string {
  const { costs } = old.versions;
  const before = { wrongClear: costs.wrongClear, missedTarget: costs.missedTarget, hold: costs.hold };
  const costsChanged = JSON.stringify(before) !== JSON.stringify(now.case.costs);
  if (costsChanged && !verdictsDiffer(old.given, rejudge(source, old, model, before)))
    return "The costs of the district were changed. Under the old costs the verdict would be the same.";
  if (
    old.versions.flora !== model.flora.version &&
    model !== shippedModel() &&
    !verdictsDiffer(old.given, rejudge(source, old, shippedModel()))
  )
    return "The flora was corrected in this district. With the shipped flora the verdict would be the same.";
  const changes = [
    old.versions.list !== now.listVersion ? "the list" : "",
    old.versions.flora !== model.flora.version ? "the flora" : "",
    costsChanged ? "the costs" : "",
    old.versions.engine !== engineVersion() ? "the engine" : "",
  ].filter(Boolean);
  if (changes.length === 0)
    return "What was confirmed here since then has changed how likely each plant is in this district.";
  return `Since then ${changes.join(" and ")} ${changes.length > 1 ? "have" : "has"} changed.`;
}

/** How many plans hang on each finding, and whether it has been judged again or overruled since. */
export async function standingOf(
  member: Member,
  ids: string[],
): Promise<Map<string, { plans: number; overruled: boolean; verdict: string }>> {
  if (ids.length === 0) return new Map();
  return asMember(member, async (tx) => {
    const planned = await tx.select({ findingId: plan.findingId }).from(plan).where(eq(plan.state, "planned"));
    const rows = await tx
      .select({ id: finding.id, overruled: finding.overruled, verdict: finding.verdict })
      .from(finding);
    const wanted = new Set(ids);
    return new Map(
      rows
        .filter((r) => wanted.has(r.id))
        .map((r) => [
          r.id,
          { plans: planned.filter((p) => p.findingId === r.id).length, overruled: r.overruled, verdict: r.verdict },
        ]),
    );
  });
}

/** Gives a finding the verdict of today, as an event of its own that follows the old one. Work planned on it is dropped if it is no longer clear. */
export async function takeNewVerdict(
  member: Member,
  raw: unknown,
): Promise<{ number: number; verdict: string; dropped: number }> {
  const { findingId } = z.object({ findingId: z.uuid() }).parse(raw);
  const { old, source } = await asMember(member, async (tx) => ({
    old: (await oldFindings(tx, findingId)).findings.at(0),
    source: await readCaseSource(tx),
  }));
  if (!old) throw notFound("The finding");
  const given = source.caseAt(old.siteId, { ...old.seen, id: old.id });
  const { identification, columns } = await judgeApart(source.amendments, given.case);
  return asMember(member, async (tx) => {
    const held = firstOf(
      await tx.select({ overruled: finding.overruled }).from(finding).where(eq(finding.id, findingId)).for("update"),
    );
    if (held.overruled)
      throw new Refusal(
        400,
        "A specialist overruled this finding in writing: the overruling applies until a specialist withdraws it.",
      );
    await tx.insert(findingEvent).values({
      districtId: member.districtId,
      id: uuidv7(),
      findingId,
      kind: "verdict",
      ...signature("by", member),
      body: {
        identification,
        versions: {
          flora: identification.flora,
          list: given.listVersion,
          costs: given.case.costs,
          engine: engineVersion(),
        },
      },
    });
    const plantId = columns.taxon ? plantsIn(modelWith(source.amendments).flora).idOf(columns.taxon) : null;
    await tx
      .update(finding)
      .set({ ...columns, plantId, reportFirst: mustBeReported(columns, given.reportFirst) })
      .where(eq(finding.id, findingId));
    return {
      number: old.number,
      verdict: columns.verdict,
      dropped: columns.verdict === "clear" ? 0 : await dropPlans(tx, member, findingId, columns.verdict),
    };
  });
}

async function dropPlans(tx: Transaction, member: Member, findingId: string, verdict: string): Promise<number> {
  const droppedWhy = `The finding has a new verdict: ${verdict}.`;
  const dropped = await tx
    .update(plan)
    .set({ state: "dropped", droppedWhy, droppedAt: now(), ...signature("droppedBy", member) })
    .where(and(eq(plan.findingId, findingId), eq(plan.state, "planned")))
    .returning({ id: plan.id });
  return dropped.length;
}
