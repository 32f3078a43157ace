import { Options } from "@/components/ui/options";
import { planAction } from "@/app/actions/season";
import { WorkFields } from "@/components/season/work-fields";
import { ActionForm, Fault, Field } from "@/components/ui/action-form";
import { Button } from "@/components/ui/button";
import { DayInput } from "@/components/ui/day-field";
import { shortDay } from "@/components/words/dates";
import type { MethodAdvice } from "@/core/control";
import type { PlanningView } from "@/server/control/planning";

/** When, by whom, and what grows there afterward. */
export function PlanForm({
  advice,
  view,
  afterCheck,
}: {
  advice: MethodAdvice;
  view: PlanningView;
  afterCheck: string;
}) {
  const { method, window } = advice;
  if (!window) return null;
  return (
    <ActionForm
      action={planAction}
      draft={`plan-${view.findingId}-${method.id}`}
      label={`Plan: ${method.name}`}
      className="grid sm:grid-cols-2 gap-x-5 gap-y-3 mt-3"
    >
      <input type="hidden" name="findingId" value={view.findingId} />
      <input type="hidden" name="method" value={method.id} />
      <input type="hidden" name="afterCheck" value={afterCheck} />
      {view.others.map(({ id }) => (
        <input key={id} type="hidden" name="seenPlans" value={id} />
      ))}
      <WorkFields
        window={window}
        days={[window.from]}
        people={view.people}
        everyone={view.everyone}
        crews={view.crews}
        hint={`${shortDay(window.from)} to ${shortDay(window.to)}`}
      />
      {method.kind === "product" ? (
        <Field name="labelId" label="Label you will use" hint="the plan is checked again where this label changes">
          <select name="labelId" defaultValue="">
            <Options none="not chosen yet" choices={view.labels} />
          </select>
        </Field>
      ) : null}
      {method.kind === "follow" ? <Sown keeps={view.keeps} /> : <Cover view={view} from={window.from} />}
      <Button type="submit" look="press">
        Add it to the season
      </Button>
    </ActionForm>
  );
}

const SownPlants = ({ keeps }: Pick<PlanningView, "keeps">) => (
  <>
    <Field name="coverPlants" label="Plants">
      <select name="coverPlants" defaultValue="">
        <Options none="choose" choices={keeps} />
      </select>
    </Field>
    <Field name="coverAmount" label="How much" hint="such as 2 kg, or 40 plugs">
      <input name="coverAmount" />
    </Field>
  </>
);

/** What is sown, where the work is the sowing. */
const Sown = ({ keeps }: Pick<PlanningView, "keeps">) => (
  <fieldset className="sm:col-span-2 grid sm:grid-cols-2 gap-x-5 gap-y-3">
    <legend className="font-semibold">What is sown or planted</legend>
    <input type="hidden" name="cover" value="plant" />
    <SownPlants keeps={keeps} />
    <Fault name="cover" />
  </fieldset>
);

const Cover = ({ view, from }: { view: PlanningView; from: string }) => (
  <fieldset className="sm:col-span-2 grid sm:grid-cols-2 gap-x-5 gap-y-3">
    <legend className="font-semibold">What should grow there afterward</legend>
    <div className="grid gap-2 content-start">
      <label className="tick">
        <input type="radio" name="cover" value="plant" /> Sow or plant what this district keeps
      </label>
      <SownPlants keeps={view.keeps} />
      <Field name="coverOn" label="From the day" hint="after the work, and after the wait of the label">
        <DayInput name="coverOn" label="day from which it is sown" min={from} value="" />
      </Field>
    </div>
    <div className="grid gap-2 content-start">
      <label className="tick">
        <input type="radio" name="cover" value="nothing" /> Nothing is sown, because …
      </label>
      <Field name="coverWhy" label="Why nothing is sown">
        <input name="coverWhy" placeholder="the meadow closes by itself" />
      </Field>
      <p className="small">
        Seed lives{" "}
        {view.seedYears ? `${view.seedYears[0]} to ${view.seedYears[1]} years in the ground` : "for an unknown time"}.
      </p>
    </div>
    <Fault name="cover" />
  </fieldset>
);
