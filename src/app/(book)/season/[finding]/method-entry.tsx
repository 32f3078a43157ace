import Link from "next/link";
import { Disclosure } from "@/components/ui/disclosure";
import { shortDay } from "@/components/words/dates";
import { KIND_WORDS } from "@/components/words/method-words";
import type { MethodAdvice } from "@/core/control";
import type { PlanningView } from "@/server/control/planning";
import { PlanForm } from "./plan-form";

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
      <ul className="small mt-2" aria-label="What follows">
        {advice.follows.map(({ what, afterDays }) => (
          <li key={what}>
            {what} <span className="text-[var(--soft)]">({afterWords(afterDays)})</span>
          </li>
        ))}
      </ul>
    </>
  );
}

function afterWords([low, high]: [number, number]): string {
  if (high === 0) return "at once";
  return low === high ? `after ${low} days` : `after ${low} to ${high} days`;
}

/** One method with its answer, what must be true, what follows, and the form that plans it. */
export function MethodEntry({
  advice,
  view,
  mayPlan,
  afterCheck,
}: {
  advice: MethodAdvice;
  view: PlanningView;
  mayPlan: boolean;
  afterCheck: string;
}) {
  const { method, window } = advice;
  return (
    <li className="row py-3 grid md:grid-cols-[220px_minmax(0,1fr)] gap-x-6">
      <div>
        <h3>
          <Link href={`/season/methods/${method.id}`} className="tap">
            {method.name}
          </Link>
        </h3>
        {advice.preferred ? <p className="font-semibold">First choice here</p> : null}
        <p className="small">
          {KIND_WORDS[method.kind]}
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
                <PlanForm {...{ advice, view, afterCheck }} />
              </Disclosure>
            ) : null}
          </>
        ) : null}
      </div>
    </li>
  );
}
