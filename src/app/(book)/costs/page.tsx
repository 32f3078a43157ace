import { PageHead } from "@/components/ui/page";
import { Button } from "@/components/ui/button";
import Link from "next/link";
import { costsAction } from "@/app/actions/control";
import { CostsPreview } from "@/components/control/costs-preview";
import { percentOf } from "@/components/words/dates";
import { costsInputSchema, costsOf } from "@/server/control/costs";
import { memberOrSignIn } from "@/server/platform/session";

export const metadata = { title: "Decision costs" };
type Search = Partial<Record<"hour" | "wrongClear" | "missedTarget" | "hold", string>>;

const FIELDS = [
  { name: "hour", label: "One hour of work costs", hint: "in your currency; leave 1 to count everything in hours" },
  {
    name: "wrongClear",
    label: "Clearing a plant that should be kept",
    hint: "what it takes to make good: replanting, years of growth, a fine, trust",
  },
  {
    name: "missedTarget",
    label: "Leaving a target in place",
    hint: "what its seed and spread cost until it is found again",
  },
  { name: "hold", label: "Coming back another day, in hours", hint: "the trip there and back, and the check" },
] as const;

export default async function CostsPage({ searchParams }: { searchParams: Promise<Search> }) {
  const member = await memberOrSignIn();
  const asked = await searchParams;
  const { input, limit, version } = await costsOf(member);
  const keeper = member.roles.includes("keeper");
  const tried = asked.hour === undefined ? null : costsInputSchema.safeParse(asked);
  const faults = new Map(tried?.error?.issues.map((i) => [String(i.path[0]), i.message]));
  const value = (name: keyof Search) => asked[name] ?? String(Number(input[name].toPrecision(6)));
  return (
    <div className="px-4 md:px-6 py-5 max-w-[980px]">
      <PageHead above={<Link href="/people">People and settings</Link>} title="What a wrong act costs here" />
      <p className="mt-1 max-w-[70ch]">
        The Bench gets its limit from these costs: the highest chance that the plant is one to keep at which the Bench
        still says “clear to act”. The limit is the cost of a missed target divided by that cost plus the cost of
        clearing wrongly. It is never above 2%. It is now <strong className="figure">{percentOf(limit)}</strong>.
      </p>
      {keeper ? null : <p className="mt-3">Only the keeper of the district can change these costs.</p>}
      <form method="get" className="grid sm:grid-cols-2 gap-5 mt-4" aria-label="Try other costs">
        {FIELDS.map((f) => (
          <label key={f.name} className="field">
            <span className="label">{f.label}</span>
            <input
              name={f.name}
              inputMode="decimal"
              defaultValue={value(f.name)}
              disabled={!keeper}
              className="figure"
              aria-invalid={faults.has(f.name)}
            />
            <span className={faults.has(f.name) ? "fault" : "small"}>{faults.get(f.name) ?? f.hint}</span>
          </label>
        ))}
        {keeper ? (
          <Button type="submit" className="justify-self-start">
            Show what changes
          </Button>
        ) : null}
      </form>
      {keeper && tried?.success ? <CostsPreview input={tried.data} version={version} action={costsAction} /> : null}
    </div>
  );
}
