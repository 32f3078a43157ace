import { Disclosure } from "@/components/ui/disclosure";
import { DayInput } from "@/components/ui/day-field";
import { Notice } from "@/components/ui/notice";
import { PageHead } from "@/components/ui/page";
import { Button } from "@/components/ui/button";
import Link from "next/link";
import { notFound } from "next/navigation";
import { planAction } from "@/app/actions/control";
import { ActionForm, Field } from "@/components/ui/action-form";
import { areaText, fullDay, shortDay } from "@/components/words/dates";
import { waterWords } from "@/components/words/water-words";
import type { MethodAdvice } from "@/core/control";
import { planningFor, type PlanningView } from "@/server/control/plans";
import { plantsOf } from "@/server/flora/amendments";
import { Refusal } from "@/server/platform/faults";
import { memberOrSignIn } from "@/server/platform/session";

export const metadata = { title: "What can be done" };
const ANSWERS = { eligible: "Suits now", "not-now": "Not now", never: "Never here" } as const;

export default async function PlanningPage({ params }: { params: Promise<{ finding: string }> }) {
  const member = await memberOrSignIn();
  const plants = await plantsOf(member);
  const view = await planningFor(member, (await params).finding).catch((error) => {
    if (error instanceof Refusal && error.status === 404) return notFound();
    if (error instanceof Refusal) return error;
    throw error;
  });
  if (view instanceof Refusal)
    return (
      <div className="p-6">
        <h1>What can be done</h1>
        <p className="mt-3 max-w-[60ch]">{view.message}</p>
      </div>
    );
  const mayPlan = member.roles.includes("specialist");
  return (
    <div className="px-4 md:px-6 py-5">
      <PageHead
        above={
          <>
            <Link href={`/findings/${view.findingId}`}>Finding F-{view.number}</Link> ·{" "}
            <Link href={`/ground/patch/${view.patchId}`}>{view.patchName}</Link>, {view.siteName}
          </>
        }
        title={<>What can be done: {plants.common(view.taxon)}</>}
      />
      <p className="text-[var(--soft)]">
        {areaText(view.areaM2)}, {STAGES[view.stage]}. Water: {waterWords(view.water)}. Today is {fullDay(view.today)}.
      </p>
      {view.reasons.length > 0 ? (
        <div role="alert" className="border-2 border-[var(--ink)] p-4 mt-4 max-w-[70ch]">
          <strong>No work can be planned now.</strong>
          <ul className="mt-1">
            {view.reasons.map((reason) => (
              <li key={reason.code} className="py-1">
                {reason.what}{" "}
                {reason.code === "verdict" ? "A specialist may overrule it in writing on the finding." : ""}
                {reason.code === "report" ? <Link href={`/findings/${view.findingId}`}>Report it.</Link> : null}
              </li>
            ))}
          </ul>
        </div>
      ) : null}
      {view.overruling ? (
        <Notice grave className="mt-4 max-w-[70ch]">
          <strong>Overruled in writing</strong> by {view.overruling.by}: “{view.overruling.reason}”
        </Notice>
      ) : null}
      <div className="mt-4">
        {(["eligible", "not-now", "never"] as const).map((answer) => {
          const own = view.advice.filter((a) => a.answer === answer);
          return own.length === 0 ? null : (
            <section key={answer} className="mt-6">
              <h2 className="ruled">
                {ANSWERS[answer]}
                <span className="small">{own.length}</span>
              </h2>
              <ul>
                {own.map((a) => (
                  <Method key={a.method.id} advice={a} view={view} mayPlan={mayPlan && view.reasons.length === 0} />
                ))}
              </ul>
            </section>
          );
        })}
      </div>
      {view.remains.length > 0 ? (
        <section className="mt-6 max-w-[70ch]">
          <h2 className="ruled">What its remains need</h2>
          <ul>
            {view.remains.map((need) => (
              <li key={need} className="row py-2">
                {need}
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      <p className="small mt-6 max-w-[70ch]">
        No product is recommended here. The label, local law, its rules for waste too, and a licensed professional take
        precedence over this program.
      </p>
    </div>
  );
}
const STAGES: Record<string, string> = {
  seedling: "seedlings",
  vegetative: "in leaf",
  flowering: "in flower",
  fruiting: "in seed",
  winter: "in winter rest",
};

/** What has to be true, what follows and when, and where practitioners differ. */
function Terms({ advice }: { advice: MethodAdvice }) {
  return (
    <>
      {advice.must.length > 0 ? (
        <div className="mt-2">
          <p className="font-semibold">This must be true:</p>
          <ul className="list-disc pl-5">
            {advice.must.map((m) => (
              <li key={m}>{m}</li>
            ))}
          </ul>
        </div>
      ) : null}
      {advice.schools.map((sides) => (
        <div key={sides[0]} className="mt-2">
          <p className="font-semibold">Practitioners differ:</p>
          <ul className="list-disc pl-5">
            {sides.map((side) => (
              <li key={side}>{side}</li>
            ))}
          </ul>
        </div>
      ))}
      <p className="small mt-2">
        What follows: {advice.follows.map(({ what, afterDays }) => `${what} (${afterWords(afterDays)})`).join(" ")}
      </p>
    </>
  );
}

function afterWords([low, high]: [number, number]): string {
  if (high === 0) return "at once";
  return low === high ? `after ${low} days` : `after ${low} to ${high} days`;
}

function Method({ advice, view, mayPlan }: { advice: MethodAdvice; view: PlanningView; mayPlan: boolean }) {
  const { method, window } = advice;
  return (
    <li className="row py-3 grid md:grid-cols-[220px_minmax(0,1fr)] gap-x-6">
      <div>
        <h3>{method.name}</h3>
        {advice.preferred ? <p className="font-semibold">First choice here</p> : null}
        <p className="small">
          {KINDS[method.kind]}
          {advice.answer !== "never" ? ` · about ${advice.hours} h here` : ""}
        </p>
      </div>
      <div>
        {advice.preferred ? <p>{advice.preferred}</p> : null}
        <p>
          {advice.why.join(" ")}
          {window && advice.answer === "not-now"
            ? ` From ${shortDay(window.from)} to ${shortDay(window.to)}.`
            : window
              ? ` Window: until ${shortDay(window.to)}.`
              : ""}
        </p>
        {advice.answer !== "never" ? (
          <>
            <ul className="mt-2 border-l-4 border-[var(--madder)] pl-3">
              {advice.cautions.map((c) => (
                <li key={c}>{c}</li>
              ))}
            </ul>
            <Terms advice={advice} />
            {mayPlan && window ? (
              <Disclosure className="mt-2" summary="Plan this" look="button">
                <ActionForm
                  action={planAction}
                  draft={`plan-${view.findingId}-${method.id}`}
                  label={`Plan: ${method.name}`}
                  className="grid sm:grid-cols-2 gap-x-5 gap-y-3 mt-3"
                >
                  <input type="hidden" name="findingId" value={view.findingId} />
                  <input type="hidden" name="method" value={method.id} />
                  <Field name="intendedOn" label="Day" hint={`${shortDay(window.from)} to ${shortDay(window.to)}`}>
                    <DayInput
                      name="intendedOn"
                      label="day of the work"
                      min={window.from}
                      max={window.to}
                      value={window.from}
                    />
                  </Field>
                  <Field name="personId" label="Who does it">
                    <select name="personId" required defaultValue="">
                      <option value="">choose</option>
                      {view.people.map((p) => (
                        <option key={p.id} value={p.id}>
                          {p.name}
                        </option>
                      ))}
                    </select>
                  </Field>
                  <div className="sm:col-span-2">
                    <Field
                      name="followedBy"
                      label="What follows, and for how many years"
                      hint={`seed lives about ${view.seedYears ? `${view.seedYears[0]} to ${view.seedYears[1]} years in the ground` : "an unknown time"}`}
                    >
                      <textarea name="followedBy" required />
                    </Field>
                  </div>
                  <Button type="submit" look="press">
                    Put it in the season
                  </Button>
                </ActionForm>
              </Disclosure>
            ) : null}
          </>
        ) : null}
      </div>
    </li>
  );
}
const KINDS = {
  hand: "by hand",
  machine: "by machine",
  product: "by product",
  cover: "by cover",
  grazing: "by grazing",
  fire: "by fire",
  water: "by water",
  note: "to ask about",
  follow: "after control",
} as const;
