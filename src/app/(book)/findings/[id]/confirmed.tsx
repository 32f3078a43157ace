import { confirmAction } from "@/app/actions/findings";
import { ActionForm, Field } from "@/components/ui/action-form";
import { Button } from "@/components/ui/button";
import { Disclosure, PlainAction } from "@/components/ui/disclosure";
import { Section } from "@/components/ui/page";
import { fullDay } from "@/components/words/dates";
import { CONFIRMED_BY } from "@/contracts/finding";
import type { findingDetail } from "@/server/findings/findings";

type View = Awaited<ReturnType<typeof findingDetail>>;

const HOW: Record<(typeof CONFIRMED_BY)[number], string> = {
  specialist: "seen by a specialist",
  reviewer: "confirmed by a reviewer",
  specimen: "confirmed by a specimen",
};

/** Who confirmed the plant. A verdict of the program is no confirmation: only what a person confirmed makes a plant likelier here. */
export const Confirmed = ({ view, specialist }: { view: View; specialist: boolean }) => (
  <Section title="Confirmed by a person" aside={view.confirmations.length === 0 ? "not yet" : undefined}>
    <ul>
      {view.confirmations.map((e) => (
        <li key={e.id} className="row py-1.5">
          {e.body.taxon}: {HOW[e.body.how]}
          {e.body.source ? `, ${e.body.source}` : ""}.{" "}
          <span className="small">
            {e.by}, {fullDay(e.at.toISOString())}
            {e.body.note ? ` · ${e.body.note}` : ""}
          </span>
        </li>
      ))}
    </ul>
    {specialist && view.line.taxon ? (
      <Disclosure className="no-print" summary={<PlainAction>Confirm {view.line.name}</PlainAction>}>
        <ActionForm
          action={confirmAction}
          draft={`confirm-${view.line.id}`}
          label="Confirm"
          className="grid sm:grid-cols-2 gap-x-5 gap-y-3 mt-2"
        >
          <input type="hidden" name="findingId" value={view.line.id} />
          <Field name="how" label="How it was confirmed">
            <select name="how" defaultValue="specialist">
              {CONFIRMED_BY.map((how) => (
                <option key={how} value={how}>
                  {HOW[how]}
                </option>
              ))}
            </select>
          </Field>
          <Field name="source" label="Reviewer, or place and number of the specimen">
            <input name="source" maxLength={300} />
          </Field>
          <Field name="note" label="Note">
            <input name="note" />
          </Field>
          <p>
            <Button type="submit">Confirm</Button>
          </p>
        </ActionForm>
      </Disclosure>
    ) : null}
  </Section>
);
