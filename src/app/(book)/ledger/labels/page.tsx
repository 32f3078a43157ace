import { PageHead } from "@/components/ui/page";
import { Button } from "@/components/ui/button";
import { PrintButton } from "@/components/shell/print-button";
import { LabelPaper } from "@/components/records/label-paper";
import { Disclosure, PlainAction } from "@/components/ui/disclosure";
import Link from "next/link";
import { v7 as uuidv7 } from "uuid";
import { STAGE_WORDS } from "@/components/words/stages";
import { STAGES } from "@/core/flora";
import { labelAction } from "@/app/actions/records";
import { ActionForm, Fault, Field } from "@/components/ui/action-form";
import { LABEL_NAMED, LABEL_NUMBERS, LABEL_TEXTS, type LabelLimits, silentOn } from "@/core/records";
import { labelChoices, labelLines } from "@/server/records/labels";
import { memberOrSignIn } from "@/server/platform/session";

export const metadata = { title: "Labels" };
const lowerFirst = (text: string): string => `${text.charAt(0).toLowerCase()}${text.slice(1)}`;

export default async function LabelsPage() {
  const member = await memberOrSignIn();
  const rows = await labelLines(member);
  const choices = await labelChoices(member);
  const mayEnter = member.roles.some((r) => r === "applicator" || r === "specialist");
  return (
    <div className="px-4 md:px-6 py-5 max-w-[900px]">
      <PageHead
        above={<Link href="/ledger">Ledger</Link>}
        title="Labels"
        actions={rows.length > 0 ? <PrintButton words="Print the label sheet" /> : null}
      />
      <p className="text-[var(--soft)]">
        What your own labels say, typed from the label itself. Nothing is recommended here, and an empty field means
        that the label says nothing.
      </p>
      <ul className="mt-4">
        {rows.map((r) => {
          const silent = silentOn(r.limits).map(lowerFirst);
          return (
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
                  .join(" · ")}
              </span>
              <p className="small">
                {silent.length > 0 ? (
                  <>
                    <strong>The label does not say:</strong> {silent.join("; ")}.
                  </>
                ) : (
                  "The label says all that the program checks."
                )}
              </p>
              {LABEL_NAMED.map(([key, words]) =>
                r.named[key] ? (
                  <span key={key} className="small block">
                    {words}: {r.named[key]}.
                  </span>
                ) : null,
              )}
              <span className="small block">
                Version {r.version}, entered by {r.enteredBy}.{" "}
                {r.hasPaper ? (
                  <a className="tap" href={`/api/v1/label-papers/${r.id}`} download>
                    Download its PDF
                  </a>
                ) : (
                  "Its PDF is not here."
                )}{" "}
                <a className="tap no-print" href={`/api/v1/label-sheets/${r.id}`} download>
                  Label sheet as PDF
                </a>
              </span>
              {mayEnter ? (
                <>
                  {r.hasPaper ? null : <LabelPaper id={r.id} name={r.name} />}
                  <Disclosure
                    className="no-print"
                    summary={<PlainAction>The label has changed …</PlainAction>}
                    look="small"
                  >
                    <LabelForm of={r} choices={choices} />
                  </Disclosure>
                </>
              ) : null}
            </li>
          );
        })}
        {rows.length === 0 ? <li className="small py-2">No label entered yet.</li> : null}
      </ul>
      {mayEnter ? (
        <section className="mt-6 no-print">
          <h2 className="ruled">Enter a label</h2>
          <LabelForm choices={choices} />
        </section>
      ) : null}
    </div>
  );
}

type Choices = Awaited<ReturnType<typeof labelChoices>>;
type Line = Awaited<ReturnType<typeof labelLines>>[number];

/** What a label says, as a form: a new one, or the next version of one. */
const LabelForm = ({ of, choices }: { of?: Line; choices: Choices }) => (
  <ActionForm
    action={labelAction}
    draft={`label-${of?.id ?? "new"}`}
    renew
    label={of ? `A new version of ${of.name}` : "Enter a label"}
    className="grid sm:grid-cols-3 gap-x-6 gap-y-4 mt-3"
  >
    <input type="hidden" name="id" value={uuidv7()} />
    <input type="hidden" name="replaces" value={of?.id ?? ""} />
    <Field name="name" label="Name on the label">
      <input name="name" required defaultValue={of?.name} />
    </Field>
    <Field name="limits.registration" label="Registration number">
      <input name="registration" defaultValue={of?.limits.registration} />
    </Field>
    <Field name="limits.siteOfAction" label="Site-of-action group">
      <input name="siteOfAction" defaultValue={of?.limits.siteOfAction} />
    </Field>
    <Field name="limits.rateUnit" label="Measured in">
      <select name="rateUnit" defaultValue={of?.limits.rateUnit}>
        <option value="L">liters</option>
        <option value="kg">kilograms</option>
      </select>
    </Field>
    {LABEL_NUMBERS.map(([name, text]) => (
      <Field key={name} name={`limits.${name}`} label={text}>
        <input
          name={name}
          inputMode="decimal"
          className="figure"
          defaultValue={of?.limits[name as keyof LabelLimits]}
        />
      </Field>
    ))}
    {LABEL_TEXTS.map(([name, text]) => (
      <Field key={name} name={`limits.${name}`} label={text}>
        <input name={name} defaultValue={of?.limits[name as keyof LabelLimits]} />
      </Field>
    ))}
    <Named of={of} choices={choices} />
    <Button type="submit" look="press" className="self-end">
      {of ? "Put it in force" : "Enter it"}
    </Button>
  </ActionForm>
);

/** Stages, sites and plants that the label names, to be ticked: plans and records are checked against them. */
const Named = ({ of, choices }: { of?: Line; choices: Choices }) => (
  <Disclosure className="sm:col-span-3" summary={<PlainAction>Tick what it names, to have it checked …</PlainAction>}>
    <p className="small max-w-[70ch]">
      Where nothing of a list is ticked, the program does not check it, and says nothing of it.
    </p>
    {LABEL_NAMED.map(([name, words]) => (
      <fieldset key={name} className="mt-3" data-field={`limits.${name}`}>
        <legend className="font-semibold">{words}</legend>
        <div className="grid sm:grid-cols-3 gap-x-6">
          {(name === "stagesNamed"
            ? STAGES.map((stage) => ({ id: stage, name: STAGE_WORDS[stage] }))
            : choices[name]
          ).map(({ id, name: word }) => (
            <label key={id} className="tick">
              <input
                type="checkbox"
                name={name}
                value={id}
                defaultChecked={(of?.limits[name] as string[] | undefined)?.includes(id)}
              />{" "}
              {word}
            </label>
          ))}
        </div>
        <Fault name={`limits.${name}`} />
      </fieldset>
    ))}
  </Disclosure>
);
