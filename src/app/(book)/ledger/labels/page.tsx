import { PageHead } from "@/components/ui/page";
import { Button } from "@/components/ui/button";
import Link from "next/link";
import { v7 as uuidv7 } from "uuid";
import { labelAction } from "@/app/actions/records";
import { ActionForm, Field } from "@/components/ui/action-form";
import { labelLines } from "@/server/records/labels";
import { memberOrSignIn } from "@/server/platform/session";

export const metadata = { title: "Labels" };
const NUMBERS: [string, string][] = [
  ["ratePerHaMax", "Highest rate per ha"],
  ["seasonMaxPerHa", "Most per ha and season"],
  ["windMaxMS", "Wind at most, m/s"],
  ["windMinMS", "Wind at least, m/s"],
  ["temperatureMaxC", "At most, °C"],
  ["temperatureMinC", "At least, °C"],
  ["rainFreeHours", "Hours without rain after"],
  ["reentryHours", "Re-entry after, h"],
  ["grazingDays", "No grazing, days"],
  ["hayingDays", "No haying, days"],
  ["waterBufferM", "Distance to water, m"],
];

export default async function LabelsPage() {
  const member = await memberOrSignIn();
  const rows = await labelLines(member);
  return (
    <div className="px-4 md:px-6 py-5 max-w-[900px]">
      <PageHead above={<Link href="/ledger">Ledger</Link>} title="Labels" />
      <p className="text-[var(--soft)]">
        What your own labels say, typed from the label itself. Nothing is recommended here, and an empty field means
        that the label says nothing.
      </p>
      <ul className="mt-4">
        {rows.map((r) => (
          <li key={r.id} className="row py-2">
            <span className="font-semibold">{r.name}</span>{" "}
            <span className="small">
              {[
                r.limits.registration,
                r.limits.siteOfAction ? `group ${r.limits.siteOfAction}` : "",
                r.limits.ratePerHaMax ? `at most ${r.limits.ratePerHaMax} ${r.limits.rateUnit}/ha` : "",
                r.limits.waterBufferM ? `${r.limits.waterBufferM} m from water` : "",
              ]
                .filter(Boolean)
                .join(" · ")}{" "}
              · entered by {r.enteredBy}
            </span>
          </li>
        ))}
        {rows.length === 0 ? <li className="small py-2">No label entered yet.</li> : null}
      </ul>
      {member.roles.some((r) => r === "applicator" || r === "specialist") ? (
        <section className="mt-6">
          <h2 className="ruled">Enter a label</h2>
          <ActionForm
            action={labelAction}
            draft="label"
            renew
            label="Enter a label"
            className="grid sm:grid-cols-3 gap-x-6 gap-y-4 mt-3"
          >
            <input type="hidden" name="id" value={uuidv7()} />
            <Field name="name" label="Name on the label">
              <input name="name" required />
            </Field>
            <Field name="limits.registration" label="Registration number">
              <input name="registration" />
            </Field>
            <Field name="limits.siteOfAction" label="Site-of-action group">
              <input name="siteOfAction" />
            </Field>
            <Field name="limits.rateUnit" label="Measured in">
              <select name="rateUnit">
                <option value="L">litres</option>
                <option value="kg">kilograms</option>
              </select>
            </Field>
            {NUMBERS.map(([name, text]) => (
              <Field key={name} name={`limits.${name}`} label={text}>
                <input name={name} inputMode="decimal" className="figure" />
              </Field>
            ))}
            <Button type="submit" look="press" className="self-end">
              Enter it
            </Button>
          </ActionForm>
        </section>
      ) : null}
    </div>
  );
}
