import Link from "next/link";
import { Section } from "@/components/ui/page";
import { fullDay, shortDay } from "@/components/words/dates";
import type { Role } from "@/core/roles";
import type { patchDetail } from "@/server/ground/ground";

type View = Awaited<ReturnType<typeof patchDetail>>;

/** What is planned on a patch, and what is due. */
export function NextOnPatch({
  view,
  roles,
  clear,
  actedOn,
}: {
  view: View;
  roles: Role[];
  clear: boolean;
  actedOn: boolean;
}) {
  const planned = view.plans.filter((plan) => plan.state === "planned");
  const due = view.followUps.filter((check) => !check.doneOn);
  const mayRecord = roles.includes("applicator") || roles.includes("specialist");
  return (
    <Section title="Next">
      <ul>
        {planned.map((plan) => (
          <li key={plan.id} className="row py-2">
            <Link className="tap font-semibold" href={`/season/plan/${plan.id}`}>
              {plan.methodName}
            </Link>
            , meant for {shortDay(plan.intendedOn)}{" "}
            <span className="small">
              window {shortDay(plan.windowFrom)} to {shortDay(plan.windowTo)}
              {plan.overruling ? ` · overruled: ${plan.overruling}` : ""}
            </span>{" "}
            {mayRecord ? <Link href={`/ledger/new?plan=${plan.id}`}>Record it</Link> : null}
          </li>
        ))}
        {due.map((check) => (
          <li key={check.id} className="row py-2">
            {check.dueOn <= view.today ? (
              <strong className="text-[var(--danger)]">Due {fullDay(check.dueOn)}</strong>
            ) : (
              `On ${fullDay(check.dueOn)}`
            )}
            : {check.what}{" "}
            <Link className="small" href="/today">
              Record on Today
            </Link>
          </li>
        ))}
        {planned.length + due.length === 0 ? (
          <li className="small py-2">
            Nothing is planned and nothing is due.{" "}
            {actedOn
              ? clear
                ? "Plan the next step from the finding that is clear."
                : "Identify a plant here first."
              : ""}
          </li>
        ) : null}
      </ul>
      <Dropped view={view} />
    </Section>
  );
}

const Dropped = ({ view }: { view: View }) => (
  <ul className="small">
    {view.plans
      .filter((plan) => plan.state === "dropped")
      .map((plan) => (
        <li key={plan.id} className="py-1">
          Dropped: {plan.methodName}, meant for {fullDay(plan.intendedOn)}.{" "}
          {plan.droppedWhy ? `${plan.droppedBy}: “${plan.droppedWhy}”` : ""}
        </li>
      ))}
  </ul>
);
