import { firstOf } from "@/core/items";
import { and, eq, isNull } from "drizzle-orm";
import { z } from "zod";
import { stageOn } from "@/core/flora";
import { district, patch, plan, site } from "@/db/schema";
import { askGate, personAt } from "../control/gate";
import { plantsHere } from "../flora/amendments";
import { kitNames, methodsHere } from "../flora/own-methods";
import { waterNear } from "../ground/water";
import { now, todayIn } from "../platform/clock";
import { notFound } from "../platform/faults";
import { asMember, type Member } from "../platform/session";
import { labelsInForce } from "./labels";

/** What the record form starts from: the plan with its person, the patch, the labels, and what stands against it now. */
export async function recordingFor(member: Member, planId: string) {
  if (!z.uuid().safeParse(planId).success) throw notFound("The plan");
  return asMember(member, async (tx) => {
    const [row] = await tx
      .select({
        plan,
        patch: { id: patch.id, name: patch.name, areaM2: patch.areaM2 },
        site: { id: site.id, name: site.name, zone: site.zone },
      })
      .from(plan)
      .innerJoin(patch, eq(patch.id, plan.patchId))
      .innerJoin(site, eq(site.id, patch.siteId))
      .where(eq(plan.id, planId));
    if (!row) throw notFound("The plan");
    const moment = now().toISOString();
    const plants = await plantsHere(tx);
    const taxon = plants.byName(plants.nameNow(row.plan));
    const here = firstOf(await tx.select().from(district));
    const method = (await methodsHere(tx))(row.plan.method);
    return {
      ...row,
      plan: { ...row.plan, taxon: plants.nameNow(row.plan) },
      stage: taxon ? stageOn(taxon, todayIn(row.site.zone), here) : ("vegetative" as const),
      person: await personAt(tx, row.plan.personId, moment),
      water: await waterNear(tx, row.patch.id),
      labels: await labelsInForce(tx),
      method: method ?? null,
      kit: kitNames(method),
      settings: here.settings,
      /** for a correction: the patches of the site */
      patches: await tx
        .select({ id: patch.id, name: patch.name })
        .from(patch)
        .where(and(eq(patch.siteId, row.site.id), isNull(patch.withdrawnAt)))
        .orderBy(patch.name),
      reasons: await askGate(tx, {
        act: "record",
        findingId: row.plan.findingId,
        moment,
        method: row.plan.method,
        personId: row.plan.personId,
      }),
    };
  });
}
