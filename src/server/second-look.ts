import { and, eq } from "drizzle-orm";
import { v7 as uuidv7 } from "uuid";
import { z } from "zod";
import type { Model } from "@/core/identify";
import { clashes } from "@/core/outbox";
import type { ChangedVerdict } from "@/core/records";
import type { Transaction } from "@/db/client";
import { finding, findingEvent, plan } from "@/db/schema";
import { districtModel } from "./amendments";
import { changedVerdict } from "./changed-verdicts";
import { notFound, Refusal } from "./faults";
import { ENGINE_VERSION, shippedModel } from "./flora";
import { judgeFinding } from "./judge-finding";
import { plantsIn } from "./plants";
import { type OldFinding, oldFindings, reckoner, type Reckoning } from "./reckon";
import { asMember, type Member } from "./session";

export interface SecondLook extends ChangedVerdict {
  /** what has changed since the verdict was given, in words */
  why: string;
  /** the engine's reason now */
  because: string;
  overruled: boolean;
  /** work that is planned on this finding */
  plans: number;
}

/** The findings that would be judged otherwise today, newest first, with what made the difference. Nothing is stored. */
export async function secondLook(member: Member): Promise<{ changed: SecondLook[]; reckoned: number }> {
  return asMember(member, async (tx) => {
    const model = await districtModel(tx);
    const reckon = await reckoner(tx);
    const planned = await tx.select({ findingId: plan.findingId }).from(plan).where(eq(plan.state, "planned"));
    const changed: SecondLook[] = [];
    const all = await oldFindings(tx);
    for (const old of all) {
      const now = await reckon(old, model);
      if (!clashes(old.given, now)) continue;
      changed.push({
        ...changedVerdict(plantsIn(model.flora), old, old.given, now),
        why: await reasonOf(old, now, model, reckon),
        because: now.because,
        overruled: old.overruled,
        plans: planned.filter((p) => p.findingId === old.id).length,
      });
    }
    return { changed, reckoned: all.length };
  });
}

type Reckon = Awaited<ReturnType<typeof reckoner>>;

/** What made the difference: the old costs or the shipped flora are tried again; of a list only the version was kept. */
async function reasonOf(old: OldFinding, now: Reckoning, model: Model, reckon: Reckon): Promise<string> {
  const { costs } = old.versions;
  const before = { wrongClear: costs.wrongClear, missedTarget: costs.missedTarget, hold: costs.hold };
  const costsChanged = JSON.stringify(before) !== JSON.stringify(now.case.costs);
  if (costsChanged && !clashes(old.given, await reckon(old, model, before)))
    return "The costs of the district were changed: under the old ones the verdict would stand.";
  if (
    old.versions.flora !== model.flora.version &&
    model !== shippedModel() &&
    !clashes(old.given, await reckon(old, shippedModel()))
  )
    return "The flora was corrected in this district: by the shipped one the verdict would stand.";
  const changes = [
    old.versions.list !== now.listVersion ? "the list" : "",
    old.versions.flora !== model.flora.version ? "the flora" : "",
    costsChanged ? "the costs" : "",
    old.versions.engine !== ENGINE_VERSION ? "the engine" : "",
  ].filter(Boolean);
  if (changes.length === 0)
    return "What was confirmed here since then has changed how likely each plant is in this district.";
  return `Since then ${changes.join(" and ")} ${changes.length > 1 ? "have" : "has"} changed.`;
}

/** Gives a finding the verdict of today, as an event of its own that follows the old one. Work planned on it is dropped if it is no longer clear. */
export async function takeNewVerdict(
  member: Member,
  raw: unknown,
): Promise<{ number: number; verdict: string; dropped: number }> {
  const { findingId } = z.object({ findingId: z.uuid() }).parse(raw);
  return asMember(member, async (tx) => {
    const old = (await oldFindings(tx)).find((f) => f.id === findingId);
    if (!old) throw notFound("The finding");
    if (old.overruled)
      throw new Refusal(
        400,
        "A specialist overruled this finding in writing: that stands until a specialist says otherwise.",
      );
    const model = await districtModel(tx);
    const now = await (await reckoner(tx))(old, model);
    const judged = judgeFinding(model, now.case);
    await tx.insert(findingEvent).values({
      districtId: member.districtId,
      id: uuidv7(),
      findingId,
      kind: "verdict",
      by: member.personName,
      body: {
        identification: judged.identification,
        versions: {
          flora: model.flora.version,
          list: now.listVersion,
          costs: now.case.costs,
          engine: ENGINE_VERSION,
        },
      },
    });
    await tx.update(finding).set(judged.columns).where(eq(finding.id, findingId));
    return {
      number: old.number,
      verdict: now.verdict,
      dropped: now.verdict === "clear" ? 0 : await dropPlans(tx, findingId),
    };
  });
}

async function dropPlans(tx: Transaction, findingId: string): Promise<number> {
  const dropped = await tx
    .update(plan)
    .set({ state: "dropped" })
    .where(and(eq(plan.findingId, findingId), eq(plan.state, "planned")))
    .returning({ id: plan.id });
  return dropped.length;
}
