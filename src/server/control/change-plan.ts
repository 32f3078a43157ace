import { and, eq } from "drizzle-orm";
import { z } from "zod";
import { firstOf } from "@/core/items";
import { plainText } from "@/core/limits";
import { dayWords } from "@/core/time";
import type { Transaction } from "@/db/client";
import { plan } from "@/db/schema";
import { now } from "../platform/clock";
import { edited, notFound, Refusal } from "../platform/faults";
import { count } from "../platform/quota";
import { asMember, type Member } from "../platform/session";
import { labelChange } from "../records/labels";
import { signature } from "../records/signature";
import { daysOf, mustBeInside, mustBeOpen, peopleOfWork, workSchema } from "./make-plan";
import { judgedNow, readPlanning } from "./planning";

const versioned = z.object({ planId: z.uuid(), version: z.coerce.number().int() });

type Plan = typeof plan.$inferSelect;

/** The plan, locked, as the person had it open. @throws {Refusal} 409 where it is over, or was changed since */
async function heldPlan(
  tx: Transaction,
  { planId, version }: z.output<typeof versioned>,
  yours: string,
): Promise<Plan> {
  const [held] = await tx.select().from(plan).where(eq(plan.id, planId)).for("update");
  if (!held) throw notFound("The plan");
  if (held.state !== "planned") throw new Refusal(409, `This plan is ${held.state} already.`);
  if (held.version !== version) throw edited("This plan", inWords(held), yours);
  return held;
}

const inWords = ({ onDays, doneShare, helperIds }: Pick<Plan, "onDays" | "doneShare" | "helperIds">): string =>
  [
    onDays.map(dayWords).join(", "),
    `${helperIds.length + 1} ${helperIds.length === 0 ? "person" : "people"}`,
    ...(doneShare > 0 ? [`${Math.round(doneShare * 100)}% done`] : []),
  ].join(", ");

const changeSchema = versioned.extend(workSchema.shape);

/**
 * Moves a plan, hands it over, or spreads it over days and people. The gate is asked as for a new plan, and the days must lie in the
 * method's window as it is now, or, of what is sown afterward, on or after the day from which it may be.
 */
export async function changePlan(member: Member, raw: unknown): Promise<void> {
  const input = changeSchema.parse(raw);
  const findingId = await asMember(member, async (tx) => {
    const [row] = await tx.select({ findingId: plan.findingId }).from(plan).where(eq(plan.id, input.planId));
    if (!row) throw notFound("The plan");
    return row.findingId;
  });
  const recomputed = await judgedNow(member, findingId);
  await asMember(member, async (tx) => {
    const days = daysOf(input);
    const held = await heldPlan(tx, input, days.map(dayWords).join(", "));
    const view = await readPlanning(tx, findingId, recomputed, { lock: true });
    await count(tx, member, "change");
    await mustBeOpen(tx, { findingId, method: held.method, personId: input.personId, recomputed });
    const window = held.followsPlan
      ? { from: held.windowFrom, to: lastOf(held.windowTo, days) }
      : windowNow(held, view);
    mustBeInside(window, days);
    const people = await peopleOfWork(tx, view, input);
    const gone = [held.personId, ...held.helperIds].filter(
      (id) => id !== people.personId && !people.helperIds.includes(id),
    );
    await tx
      .update(plan)
      .set({
        ...people,
        ...{ intendedOn: firstOf(days), onDays: days, windowFrom: window.from, windowTo: window.to },
        formerIds: [...new Set([...held.formerIds, ...gone])].filter(
          (id) => id !== people.personId && !people.helperIds.includes(id),
        ),
      })
      .where(eq(plan.id, held.id));
  });
}

const lastOf = (to: string, days: string[]): string => [to, ...days].sort().at(-1) as string;

/** The window of the plan's method as it is today. @throws {Refusal} where the method no longer suits at all */
function windowNow(held: Plan, view: Awaited<ReturnType<typeof readPlanning>>): { from: string; to: string } {
  const advice = view.advice.find((a) => a.method.id === held.method);
  if (advice?.window) return advice.window;
  throw new Refusal(
    409,
    `${advice?.method.name ?? held.method}: ${advice?.why.join(" ") ?? "This method no longer exists."} Drop the plan and plan again.`,
  );
}

const partSchema = versioned.extend({
  donePercent: z.coerce
    .number("give a number from 0 to 99")
    .min(0, "at least 0")
    .max(99, "at most 99: record the work where all is done"),
});

/** Part of the work is done, and the rest waits. What was done is recorded in the ledger as it is for a whole plan. */
export async function partDone(member: Member, raw: unknown): Promise<void> {
  const input = partSchema.parse(raw);
  await asMember(member, async (tx) => {
    const held = await heldPlan(tx, input, `${input.donePercent}% done`);
    await count(tx, member, "change");
    if (
      held.personId !== member.personId &&
      !held.helperIds.includes(member.personId) &&
      !member.roles.includes("specialist")
    )
      throw new Refusal(403, "Those who do this work, or a specialist, say how much of it is done.");
    await tx
      .update(plan)
      .set({ doneShare: input.donePercent / 100 })
      .where(eq(plan.id, held.id));
  });
}

/** A label was replaced after the work was planned: a specialist has checked the plan against the version in force. */
export async function checkLabelAgain(member: Member, raw: unknown): Promise<void> {
  const input = versioned.parse(raw);
  await asMember(member, async (tx) => {
    const held = await heldPlan(tx, input, "checked against the label in force");
    const change = held.labelId ? await labelChange(tx, held.labelId) : null;
    if (!change) throw new Refusal(409, "The label of this plan has not changed.");
    await count(tx, member, "change");
    await tx.update(plan).set({ labelId: change.newId }).where(eq(plan.id, held.id));
  });
}

const droppedSchema = versioned.extend({
  reason: plainText(10, 1000, "say in at least 10 letters why it is not done", true),
});

/** A plan that is not carried out after all, and what was to follow it. Its finding waits for another. */
export async function dropPlan(member: Member, raw: unknown): Promise<void> {
  const input = droppedSchema.parse(raw);
  await asMember(member, async (tx) => {
    await count(tx, member, "change");
    const held = await heldPlan(tx, input, `dropped: ${input.reason}`);
    const dropped = {
      state: "dropped",
      droppedWhy: input.reason,
      droppedAt: now(),
      ...signature("droppedBy", member),
    } as const;
    await tx.update(plan).set(dropped).where(eq(plan.id, held.id));
    await tx
      .update(plan)
      .set({ ...dropped, droppedWhy: "What it was to follow was dropped." })
      .where(and(eq(plan.followsPlan, held.id), eq(plan.state, "planned")));
  });
}
