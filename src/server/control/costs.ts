import { firstOf } from "@/core/items";
import { z } from "zod";
import {
  caseAt,
  type Costs,
  decide,
  judge,
  keptLimit,
  type Model,
  type PlaceKnowledge,
  plainName,
  verdictsDiffer,
} from "@/core/identify";
import type { ChangedVerdict, costsPreviewSchema } from "@/contracts/work";
import type { Transaction } from "@/db/client";
import { district } from "@/db/schema";
import { modelWith } from "../flora/flora-models";
import { plantsIn } from "../flora/plants";
import { readCaseSource } from "../judge/cases";
import { changedVerdict } from "../judge/changed-verdicts";
import { oldFindings, rejudge, type Step } from "../judge/old-findings";
import { edited } from "../platform/faults";
import { asMember, type Member } from "../platform/session";
import { EXAMPLES } from "./cost-examples";
import { listFor } from "./list";
import type { DistrictCosts } from "@/contracts/stored";

const amount = z.coerce.number("give a number").positive("give more than nothing").max(1e7, "at most ten million");

/** What the keeper says, in the district's money; the engine counts in hours of work. */
export const costsInputSchema = z.object({
  hour: amount,
  wrongClear: amount,
  missedTarget: amount,
  hold: z.coerce.number("give a number of hours").positive("give more than nothing").max(1000, "at most 1000 hours"),
});
export type CostsInput = z.output<typeof costsInputSchema>;

const inHours = ({ hour, wrongClear, missedTarget, hold }: CostsInput): DistrictCosts => ({
  hour,
  wrongClear: wrongClear / hour,
  missedTarget: missedTarget / hour,
  hold,
});
const inMoney = ({ hour = 1, wrongClear, missedTarget, hold }: DistrictCosts): CostsInput => ({
  hour,
  wrongClear: wrongClear * hour,
  missedTarget: missedTarget * hour,
  hold,
});

export const costsOf = (member: Member): Promise<{ input: CostsInput; limit: number; version: number }> =>
  asMember(member, async (tx) => {
    const here = firstOf(await tx.select().from(district));
    return { input: inMoney(here.costs), limit: keptLimit(here.costs), version: here.version };
  });

/** What a preview of costs needs of the database, read before the engine begins. */
export async function readCostsPreview(tx: Transaction) {
  const here = firstOf(await tx.select().from(district));
  const { status, actions } = await listFor(tx, null);
  return { costs: here.costs, status, actions, source: await readCaseSource(tx), ...(await oldFindings(tx)) };
}

/** What other costs would do to the standard examples and to this district's findings. Nothing is stored. */
export async function previewCosts(
  { costs, status, actions, source, findings }: Awaited<ReturnType<typeof readCostsPreview>>,
  input: CostsInput,
  step: Step,
): Promise<z.output<typeof costsPreviewSchema>> {
  const model = modelWith(source.amendments);
  const [before, after]: [Costs, Costs] = [costs, inHours(input)];
  const place = { list: status, actions };
  const changed: ChangedVerdict[] = [];
  const open = findings.filter((f) => !f.overruled);
  for (const [i, old] of open.entries()) {
    await step(i, open.length);
    const [now, then] = [rejudge(source, old, model, before), rejudge(source, old, model, after)];
    if (verdictsDiffer(now, then)) changed.push(changedVerdict(plantsIn(model.flora), old, now, then));
  }
  return {
    limitBefore: keptLimit(before),
    limitAfter: keptLimit(after),
    examples: EXAMPLES.map((example) => ({
      name: example.name,
      before: exampleVerdict(model, place, example, before),
      after: exampleVerdict(model, place, example, after),
    })),
    changed,
    judged: open.length,
  };
}

function exampleVerdict(
  model: Model,
  place: PlaceKnowledge,
  example: (typeof EXAMPLES)[number],
  costs: Costs,
): { verdict: string; name: string } {
  const result = decide(judge(model, caseAt({ ...place, costs }, { ...example, id: "example", kit: [] }, model)));
  return {
    verdict: result.verdict,
    name: result.about >= 0 && result.verdict !== "open" ? plainName({ model }, result.about) : "no plant",
  };
}

/** Sets what wrong acts cost here. Verdicts already given stand; the second look shows which would be others. */
export async function setCosts(member: Member, raw: unknown): Promise<number> {
  const { version, ...input } = costsInputSchema.extend({ version: z.coerce.number().int() }).parse(raw);
  const costs = inHours(input);
  await asMember(member, async (tx) => {
    const here = firstOf(await tx.select().from(district).for("update"));
    const words = (c: CostsInput) =>
      `hour ${round(c.hour)}, wrong clearing ${round(c.wrongClear)}, missed target ${round(c.missedTarget)}, coming back ${round(c.hold)} hours`;
    if (here.version !== version) throw edited("What a wrong act costs here", words(inMoney(here.costs)), words(input));
    await tx.update(district).set({ costs });
  });
  return keptLimit(costs);
}
const round = (n: number): number => Number(n.toPrecision(4));
