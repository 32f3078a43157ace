import { changePlanAction, checkLabelAction, dropPlanAction, partDoneAction } from "@/app/actions/season";
import { WorkFields } from "@/components/season/work-fields";
import { ActionForm, Field } from "@/components/ui/action-form";
import { Button } from "@/components/ui/button";
import { Notice } from "@/components/ui/notice";
import { Disclosure, PlainAction } from "@/components/ui/disclosure";
import { shortDay } from "@/components/words/dates";
import type { PlanDetail, PlanRow } from "@/server/control/plan-lines";
import type { plannersFor } from "@/server/control/planning";

/** The plan as this page shows it: a second save of the same state is refused. */
const Held = ({ plan }: { plan: PlanRow }) => (
  <>
    <input type="hidden" name="planId" value={plan.id} />
    <input type="hidden" name="version" value={plan.version} />
  </>
);

/** Moves the plan, hands it over, or spreads it over days and people. */
export const ChangeForm = ({
  line: { plan },
  choices,
}: {
  line: PlanDetail;
  choices: Awaited<ReturnType<typeof plannersFor>>;
}) => (
  <Disclosure className="mt-5 no-print" summary="Move it, hand it over, or divide it" look="button">
    <ActionForm
      key={plan.version}
      action={changePlanAction}
      label="Change the plan"
      className="grid sm:grid-cols-2 gap-x-5 gap-y-3 mt-3 max-w-[70ch]"
    >
      <Held plan={plan} />
      <WorkFields
        window={{ from: "", to: "" }}
        days={plan.onDays}
        {...{ personId: plan.personId, helperIds: plan.helperIds, crewId: plan.crewId ?? "", ...choices }}
        hint={`it was ${shortDay(plan.windowFrom)} to ${shortDay(plan.windowTo)}; the window is calculated again`}
      />
      <Button type="submit" look="press">
        Save the change
      </Button>
    </ActionForm>
  </Disclosure>
);

/** The label was replaced after the work was planned: what it says otherwise, to be checked. */
export const ChangedLabel = ({
  line: { plan },
  change,
  specialist,
}: {
  line: PlanDetail;
  change: NonNullable<PlanDetail["labelChange"]>;
  specialist: boolean;
}) => (
  <Notice grave className="mt-4 max-w-[70ch]">
    <strong>
      The label “{change.name}” has changed since this was planned: version {change.to} is in force, not {change.from}.
    </strong>
    <ul className="list-disc pl-5">
      {change.lines.map((line) => (
        <li key={line}>{line}</li>
      ))}
      {change.lines.length === 0 ? <li>No limit that is typed in has changed. Read what else it says.</li> : null}
    </ul>
    {specialist ? (
      <ActionForm
        key={plan.version}
        action={checkLabelAction}
        label="Check against the label"
        className="mt-2 no-print"
      >
        <Held plan={plan} />
        <Button type="submit">I have checked the plan against version {change.to}</Button>
      </ActionForm>
    ) : null}
  </Notice>
);

/** Part of the work is done without a record of its own, such as a day of digging. */
export const PartForm = ({ plan }: { plan: PlanRow }) => (
  <Disclosure className="no-print" summary={<PlainAction>Part of it is done …</PlainAction>}>
    <ActionForm key={plan.version} action={partDoneAction} label="Part done" className="flex flex-wrap gap-4 items-end">
      <Held plan={plan} />
      <Field name="donePercent" label="How much is done, %">
        <input
          name="donePercent"
          inputMode="numeric"
          className="figure"
          defaultValue={plan.doneShare > 0 ? Math.round(plan.doneShare * 100) : ""}
        />
      </Field>
      <Button type="submit">Note it</Button>
    </ActionForm>
  </Disclosure>
);

export const DropForm = ({ plan }: { plan: Pick<PlanRow, "id" | "version"> }) => (
  <Disclosure className="no-print" summary={<PlainAction>Drop this plan …</PlainAction>}>
    <ActionForm
      action={dropPlanAction}
      draft={`drop-${plan.id}`}
      label="Drop the plan"
      className="grid gap-3 max-w-[60ch]"
    >
      <input type="hidden" name="planId" value={plan.id} />
      <input type="hidden" name="version" value={plan.version} />
      <Field name="reason" label="Why it is not done">
        <input name="reason" />
      </Field>
      <p>
        <Button type="submit">Drop it</Button>
      </p>
    </ActionForm>
  </Disclosure>
);
