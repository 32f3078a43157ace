import { z } from "zod";
import { clashes } from "@/core/outbox";
import { type Costs, decide, judge, keptLimit, plainName } from "@/core/identify";
import type { ChangedVerdict } from "@/core/records";
import { district } from "@/db/schema";
import type { DistrictCosts } from "@/db/schema/district";
import { districtModel } from "./amendments";
import { changedVerdict } from "./changed-verdicts";
import { plantsIn } from "./plants";
import { EXAMPLES } from "./cost-examples";
import { listFor } from "./list";
import { oldFindings, reckoner } from "./reckon";
import { asMember, type Member } from "./session";

const amount = z.coerce.number("give a number").positive("give more than nothing").max(1e7, "at most ten million");

/** What the keeper says, in the district's money; the engine reckons in hours of work. */
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

/** One standard example under the costs that hold and under the new ones. */
export interface ExampleVerdict {
  name: string;
  before: { verdict: string; name: string };
  after: { verdict: string; name: string };
}

export interface CostsPreview {
  input: CostsInput;
  limitBefore: number;
  limitAfter: number;
  examples: ExampleVerdict[];
  changed: ChangedVerdict[];
  reckoned: number;
}

export const costsOf = (member: Member): Promise<{ input: CostsInput; limit: number }> =>
  asMember(member, async (tx) => {
    const [here] = await tx.select().from(district);
    return { input: inMoney(here.costs), limit: keptLimit(here.costs) };
  });

/** What other costs would do to the standard examples and to this district's findings. Nothing is stored. */
export async function previewCosts(member: Member, input: CostsInput): Promise<CostsPreview> {
  return asMember(member, async (tx) => {
    const [here] = await tx.select().from(district);
    const model = await districtModel(tx);
    const [before, after]: Costs[] = [here.costs, inHours(input)];
    const { status, actions } = await listFor(tx, null);
    const verdictOn = (example: (typeof EXAMPLES)[number], costs: Costs) => {
      const result = decide(
        judge(model, {
          id: "example",
          hemisphere: "north",
          seasonShift: 0,
          setting: {},
          kit: [],
          confirmed: {},
          list: status,
          actions,
          ...example,
          costs,
        }),
      );
      return {
        verdict: result.verdict,
        name: result.about >= 0 && result.verdict !== "open" ? plainName({ model }, result.about) : "no plant",
      };
    };
    const reckon = await reckoner(tx);
    const changed: ChangedVerdict[] = [];
    const open = (await oldFindings(tx)).filter((f) => !f.overruled);
    for (const old of open) {
      const [now, then] = [await reckon(old, model, before), await reckon(old, model, after)];
      if (clashes(now, then)) changed.push(changedVerdict(plantsIn(model.flora), old, now, then));
    }
    return {
      input,
      limitBefore: keptLimit(before),
      limitAfter: keptLimit(after),
      examples: EXAMPLES.map((example) => ({
        name: example.name,
        before: verdictOn(example, before),
        after: verdictOn(example, after),
      })),
      changed,
      reckoned: open.length,
    };
  });
}

/** Sets what wrong acts cost here. Verdicts already given stand; the second look shows which would be others. */
export async function setCosts(member: Member, raw: unknown): Promise<number> {
  const costs = inHours(costsInputSchema.parse(raw));
  await asMember(member, (tx) => tx.update(district).set({ costs }));
  return keptLimit(costs);
}
