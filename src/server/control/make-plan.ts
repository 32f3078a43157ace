import { and, eq } from "drizzle-orm";
import { v7 as uuidv7 } from "uuid";
import { z } from "zod";
import type { GateReason, MethodAdvice } from "@/core/control";
import type { NamedVerdict } from "@/core/identify";
import { firstOf } from "@/core/items";
import { plainText } from "@/core/limits";
import { addDays, dayWords } from "@/core/time";
import type { Transaction } from "@/db/client";
import { followUp, plan } from "@/db/schema";
import { plantsHere } from "../flora/amendments";
import { mustBelong } from "../people/crews";
import { now } from "../platform/clock";
import { notFound, Refusal } from "../platform/faults";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";
import { labelOnUse } from "../records/labels";
import { signature } from "../records/signature";
import { askGate } from "./gate";
import { judgedNow, type PlanningView, readPlanning } from "./planning";

/** Fields of a form that may be there once, several times or not at all. */
const several = <T extends z.ZodType>(of: T, most: number, words: string) =>
  z.preprocess(
    (value) =>
      value === undefined || value === "" ? [] : Array.isArray(value) ? value.filter((v) => v !== "") : [value],
    z.array(of).max(most, words),
  );

/** Days and people of a plan, as a form sends them. */
export const workSchema = z.object({
  intendedOn: z.iso.date("give the day of the work"),
  moreDays: several(z.iso.date(), 19, "at most 20 days"),
  personId: z.string().min(1, "choose the person responsible").max(100),
  helperIds: several(z.string().max(100), 30, "at most 30 people"),
  crewId: z.union([z.uuid(), z.literal("")]).optional(),
});
export type WorkInput = z.output<typeof workSchema>;

/** The method that sows: it follows other work as a plan of its own, or is planned alone on ground that is cleared. */
const SOWING = "resow";

const planInputSchema = workSchema
  .extend({
    findingId: z.uuid(),
    method: z.string().min(1).max(60),
    /** plans on the patch that the person has seen, by id */
    seenPlans: several(z.uuid(), 100, "at most 100 plans"),
    /** the label that is meant to be used, where the method uses a product */
    labelId: z.union([z.uuid(), z.literal("")]).optional(),
    afterCheck: z.union([z.uuid(), z.literal("")]).optional(),
    cover: z.enum(["plant", "nothing"], "say what should grow there, or that nothing is sown"),
    coverPlants: several(z.string().max(120), 5, "choose at most 5 plants"),
    coverOn: z.union([z.iso.date(), z.literal("")]).optional(),
    coverAmount: plainText(0, 120, "", true).default(""),
    coverWhy: plainText(0, 500, "", true).default(""),
  })
  .superRefine((input, context) => {
    const need = (
      field: "cover" | "coverPlants" | "coverOn" | "coverAmount" | "coverWhy",
      message: string,
      has: boolean,
    ) => has || context.addIssue({ code: "custom", path: [field], message });
    if (input.method === SOWING && input.cover === "nothing")
      return void need("cover", "say what is sown: this work is the sowing", false);
    if (input.cover === "nothing") return void need("coverWhy", "say why nothing is sown", input.coverWhy.length >= 5);
    need("coverPlants", "choose what should grow there", input.coverPlants.length > 0);
    need("coverOn", "give the day from which it is sown", Boolean(input.coverOn) || input.method === SOWING);
    need("coverAmount", "say how much is sown, such as 2 kg", input.coverAmount.length > 0);
  });
type PlanInput = z.output<typeof planInputSchema>;

/** The field of the form where a reason stands, if one could be chosen otherwise. */
const FIELD_OF: Partial<Record<GateReason["code"], string>> = { role: "personId", license: "personId" };

/** @throws {Refusal} 409 with every reason that the gate gives */
export async function mustBeOpen(
  tx: Transaction,
  asked: { findingId: string; method: string; personId: string; recomputed?: NamedVerdict },
): Promise<void> {
  const reasons = await askGate(tx, { act: "plan", moment: now().toISOString(), ...asked });
  if (reasons.length > 0)
    throw new Refusal(
      409,
      "This may not be done now.",
      reasons.map((reason) => ({ field: FIELD_OF[reason.code] ?? "gate", what: reason.what })),
    );
}

/** What is said of the method that is planned. @throws {Refusal} where method, day or person do not fit */
function adviceFor(view: PlanningView, method: string, days: string[], personId: string): MethodAdvice {
  const advice = view.advice.find((a) => a.method.id === method);
  if (!advice)
    throw new Refusal(400, "This method does not exist.", [{ field: "method", what: "choose one of the list" }]);
  if (!advice.window) throw new Refusal(409, `${advice.method.name}: ${advice.why.join(" ")}`);
  mustBeInside(advice.window, days);
  if (!view.people.some((p) => p.id === personId))
    throw new Refusal(400, "That person may not be given work here.", [
      { field: "personId", what: "choose one of the list" },
    ]);
  return advice;
}

/** @throws {Refusal} 400 naming the day that a window leaves out */
export function mustBeInside({ from, to }: { from: string; to: string }, days: string[]): void {
  const outside = days.find((day) => day < from || day > to);
  if (outside)
    throw new Refusal(400, `${dayWords(outside)} is outside the window of ${dayWords(from)} to ${dayWords(to)}.`, [
      {
        field: outside === days[0] ? "intendedOn" : "moreDays",
        what: `choose a day from ${dayWords(from)} to ${dayWords(to)}`,
      },
    ]);
}

export const daysOf = ({ intendedOn, moreDays }: WorkInput): string[] => [...new Set([intendedOn, ...moreDays])].sort();

/** People and crew of the work as they are stored. @throws {Refusal} where one does not belong here */
export async function peopleOfWork(tx: Transaction, view: Pick<PlanningView, "crews">, input: WorkInput) {
  const crew = view.crews.find(({ id }) => id === input.crewId);
  if (input.crewId && !crew)
    throw new Refusal(400, "This crew does not go out now.", [{ field: "crewId", what: "choose one of the list" }]);
  const helperIds = [...new Set([...input.helperIds, ...(crew?.memberIds ?? [])])].filter(
    (id) => id !== input.personId,
  );
  await mustBelong(tx, helperIds, "helperIds");
  return { personId: input.personId, helperIds, crewId: crew?.id ?? null };
}

/** Two people who plan one patch hear of each other before both have done so. */
function mustHaveSeen(view: PlanningView, seen: string[]): void {
  const unseen = view.others.filter(({ id }) => !seen.includes(id));
  if (unseen.length === 0) return;
  const words = unseen.map(
    (o) => `${o.madeBy} has planned “${o.method}” here for ${dayWords(o.intendedOn)}, ${o.person}.`,
  );
  throw new Refusal(409, `${words.join(" ")} Nothing was saved. Open this page again to see that plan beside yours.`, [
    { field: "seenPlans", what: "Open this page again." },
  ]);
}

/** Plans one piece of work: only on a clear or overruled finding, only with a method that suits, only inside its window. */
export async function makePlan(member: Member, raw: unknown): Promise<string> {
  const input = planInputSchema.parse(raw);
  const recomputed = await judgedNow(member, input.findingId);
  return asMember(member, async (tx) => {
    const view = await readPlanning(tx, input.findingId, recomputed, { lock: true });
    const { findingId, method, personId } = input;
    await mustBeOpen(tx, { findingId, method, personId, recomputed });
    const advice = adviceFor(view, method, daysOf(input), personId);
    await count(tx, member, "change");
    const same = await plannedAlready(tx, input);
    if (same) return same;
    mustHaveSeen(view, input.seenPlans);
    const id = uuidv7();
    const plantId = (await plantsHere(tx)).idOf(view.taxon);
    const cover = coverOf(view, input);
    const base = {
      districtId: member.districtId,
      patchId: view.patchId,
      findingId,
      taxon: view.taxon,
      plantId,
      overruling: view.overruling ? `${view.overruling.by}: ${view.overruling.reason}` : null,
      createdAt: now(),
      ...signature("madeBy", member),
      ...(await peopleOfWork(tx, view, input)),
    };
    await tx.insert(plan).values({
      ...base,
      ...{ id, method, intendedOn: firstOf(daysOf(input)), onDays: daysOf(input), hours: advice.hours },
      ...{ windowFrom: advice.window?.from ?? "", windowTo: advice.window?.to ?? "" },
      followedBy: cover.words,
      labelId: await labelOf(tx, view, advice, plantId, input.labelId || null),
      afterCheck: await regrowthOf(tx, view.patchId, input.afterCheck || null),
    });
    if (cover.on)
      await tx.insert(plan).values({
        ...base,
        ...{ id: uuidv7(), method: SOWING, followsPlan: id, intendedOn: cover.on, onDays: [cover.on] },
        ...{ windowFrom: cover.on, windowTo: addDays(cover.on, SOWING_DAYS), followedBy: cover.words },
      });
    return id;
  });
}

/** @throws {Refusal} 400 where the label is not in force, 409 where it is not for this site */
async function labelOf(
  tx: Transaction,
  { labels, siteId, siteName, taxon }: PlanningView,
  { method }: MethodAdvice,
  plantId: string,
  labelId: string | null,
): Promise<string | null> {
  if (labelId === null || method.kind !== "product") return null;
  if (!labels.some(({ id }) => id === labelId))
    throw new Refusal(400, "This label is not in force here.", [{ field: "labelId", what: "choose one of the list" }]);
  const { against } = await labelOnUse(tx, labelId, { siteId, siteName, plantId, plant: taxon });
  if (against.length > 0)
    throw new Refusal(409, against.join(" "), [{ field: "labelId", what: "choose a label that names this site" }]);
  return labelId;
}

/** What is sown is sown within so many days from the day on which it may begin. */
const SOWING_DAYS = 60;

/** The same work sent twice, or by two at once, is planned once. */
async function plannedAlready(tx: Transaction, input: PlanInput): Promise<string | undefined> {
  const [same] = await tx
    .select({ id: plan.id })
    .from(plan)
    .where(
      and(
        eq(plan.findingId, input.findingId),
        eq(plan.method, input.method),
        eq(plan.intendedOn, firstOf(daysOf(input))),
        eq(plan.personId, input.personId),
        eq(plan.state, "planned"),
      ),
    );
  return same?.id;
}

/** What should grow there afterward, in words; `on` is the day from which it is sown, where anything is. */
function coverOf(view: PlanningView, input: PlanInput): { words: string; on: string | null } {
  if (input.cover === "nothing") return { words: `Nothing is sown, because ${uncapped(input.coverWhy)}`, on: null };
  const names = input.coverPlants.map((id) => {
    const kept = view.keeps.find((k) => k.id === id);
    if (!kept)
      throw new Refusal(400, "This district does not keep that plant.", [
        { field: "coverPlants", what: "choose plants of the list" },
      ]);
    return kept.name;
  });
  if (input.method === SOWING) return { words: `Sow or plant ${names.join(", ")}: ${input.coverAmount}.`, on: null };
  const on = input.coverOn as string;
  if (on <= input.intendedOn)
    throw new Refusal(400, "It is sown before the work is done.", [
      { field: "coverOn", what: `choose a day after ${dayWords(input.intendedOn)}` },
    ]);
  return { words: `Sow or plant ${names.join(", ")}: ${input.coverAmount}, from ${dayWords(on)}.`, on };
}

const uncapped = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

/** The check of this patch that found plants again, because of which it is treated once more. */
async function regrowthOf(tx: Transaction, patchId: string, checkId: string | null): Promise<string | null> {
  if (!checkId) return null;
  const [check] = await tx
    .select()
    .from(followUp)
    .where(and(eq(followUp.id, checkId), eq(followUp.patchId, patchId)));
  if (!check) throw notFound("The check");
  const seen = check.result?.seen;
  if (seen !== "some" && seen !== "many")
    throw new Refusal(409, "This check found no plants: nothing is treated again because of it.");
  return check.id;
}
