import { PageHead } from "@/components/ui/page";
import { Disclosure, PlainAction } from "@/components/ui/disclosure";
import { DayInput } from "@/components/ui/day-field";
import { Button } from "@/components/ui/button";
import Link from "next/link";
import { weekHoursAction } from "@/app/actions/season";
import { inviteAction, removeAction, revokeInvitationAction, rolesAction } from "@/app/actions/people";
import { ActionForm, Fault, Field } from "@/components/ui/action-form";
import { fullDay } from "@/components/words/dates";
import { ROLES } from "@/core/roles";
import { mailWay } from "@/env";
import { crewsOf } from "@/server/people/crews";
import { peopleOf } from "@/server/people/people";
import { memberOrSignIn } from "@/server/platform/session";
import { Crews } from "./crews";

export const metadata = { title: "People" };
const WORDS: Record<string, string> = {
  visitor: "reads, without places of protected plants",
  scout: "findings, patches, checks",
  specialist: "overrules, plans",
  applicator: "records treatments",
  keeper: "people and settings",
};

export default async function PeoplePage() {
  const member = await memberOrSignIn();
  const { people, invitations, letters } = await peopleOf(member);
  const keeper = member.roles.includes("keeper");
  const mayPlan = keeper || member.roles.includes("specialist");
  const crews = await crewsOf(member);
  const roleBoxes = (held: string[]) => (
    <fieldset className="flex flex-wrap gap-x-4">
      <legend className="small">Roles</legend>
      {ROLES.map((r) => (
        <label key={r} className="tick" title={WORDS[r]}>
          <input type="checkbox" name="roles" value={r} defaultChecked={held.includes(r)} />
          {r}
        </label>
      ))}
    </fieldset>
  );
  return (
    <div className="px-4 md:px-6 py-5 max-w-[980px]">
      <PageHead title="People">
        <p className="text-[var(--soft)]">
          The people who work in {member.name}, and their roles. {ROLES.map((r) => `${r}: ${WORDS[r]}`).join("; ")}.
        </p>
      </PageHead>
      <ul className="mt-4">
        {people.map((p) => (
          <li key={p.personId} className="row py-3">
            <p>
              <span className="font-semibold">{p.name}</span>{" "}
              <span className="small">
                {p.private ? `${p.private.email} · ` : ""}
                {p.roles.join(", ")}
                {p.weekHours === null ? "" : ` · ${p.weekHours} h a week`}
                {p.private?.licence
                  ? ` · license ${p.private.licence}${p.private.licenceExpires ? ` to ${fullDay(p.private.licenceExpires)}` : ""}`
                  : ""}
              </span>
            </p>
            {mayPlan ? (
              <Disclosure summary={<PlainAction>Hours a week</PlainAction>} look="small">
                <ActionForm
                  action={weekHoursAction}
                  label={`Hours of ${p.name}`}
                  className="flex flex-wrap gap-3 items-end no-print"
                >
                  <input type="hidden" name="personId" value={p.personId} />
                  <Field name="weekHours" label="Hours a week for this work">
                    <input name="weekHours" inputMode="decimal" className="figure" defaultValue={p.weekHours ?? ""} />
                  </Field>
                  <Button type="submit">Save</Button>
                </ActionForm>
              </Disclosure>
            ) : null}
            {keeper ? (
              <Disclosure summary={<PlainAction>Change</PlainAction>} look="small">
                <ActionForm action={rolesAction} label={`Roles of ${p.name}`} className="grid gap-3">
                  <input type="hidden" name="personId" value={p.personId} />
                  <input type="hidden" name="version" value={p.version} />
                  {roleBoxes(p.roles)}
                  <Fault name="roles" />
                  <div className="grid sm:grid-cols-2 gap-4">
                    <Field name="licence" label="License">
                      <input name="licence" defaultValue={p.private?.licence ?? ""} />
                    </Field>
                    <Field name="licenceExpires" label="License ends">
                      <DayInput
                        name="licenceExpires"
                        label={`end of the license of ${p.name}`}
                        value={p.private?.licenceExpires ?? ""}
                      />
                    </Field>
                  </div>
                  <Button type="submit" className="justify-self-start">
                    Save
                  </Button>
                </ActionForm>
                {p.personId === member.personId ? null : (
                  <ActionForm action={removeAction} label={`Take ${p.name} out`} className="mt-4">
                    <input type="hidden" name="personId" value={p.personId} />
                    <Button type="submit" look="plain">
                      Take {p.name} out of this district
                    </Button>
                    <p className="small">
                      Every session of {p.name} ends at once. The name stays on everything {p.name} signed.
                    </p>
                  </ActionForm>
                )}
              </Disclosure>
            ) : null}
          </li>
        ))}
        {invitations.map((i) => (
          <li key={i.id} className="row py-3 text-[var(--soft)]">
            {i.name}, {i.email}: invited as {i.roles.join(", ")}, until {fullDay(i.expiresAt.toISOString())}
            <ActionForm action={revokeInvitationAction} label={`Take back the invitation of ${i.name}`}>
              <input type="hidden" name="id" value={i.id} />
              <Button type="submit" look="plain">
                Take it back
              </Button>
            </ActionForm>
          </li>
        ))}
      </ul>
      <Crews crews={crews} people={people} mayPlan={mayPlan} />
      {mayPlan ? (
        <p className="mt-4">
          <Link href="/people/changes" className="tap">
            What was changed here, by whom and when
          </Link>
        </p>
      ) : null}
      {keeper ? (
        <>
          <section className="mt-8">
            <h2 className="ruled">Invite a person</h2>
            <ActionForm action={inviteAction} draft="invite" renew label="Invite a person" className="grid gap-4 mt-3">
              <div className="grid sm:grid-cols-2 gap-5">
                <Field name="name" label="Name">
                  <input name="name" required />
                </Field>
                <Field name="email" label="Email">
                  <input name="email" type="email" required />
                </Field>
              </div>
              {roleBoxes(["scout"])}
              <Fault name="roles" />
              <Button type="submit" look="press" className="justify-self-start">
                Invite
              </Button>
            </ActionForm>
          </section>
          <section className="mt-8">
            <h2 className="ruled">The district</h2>
            <p className="mt-2">
              <Link href="/settings" className="tap">
                Settings
              </Link>
              : name, units, season, records and reports. <Link href="/costs">Decision costs</Link>: how sure the Bench
              must be before it says “clear to act”.
            </p>
          </section>
          {mailWay() === "none" ? null : (
            <section className="mt-8">
              <h2 className="ruled">
                Emails
                <span className="small">
                  {mailWay() === "sample"
                    ? "simulated: emails stay here and are sent to nobody"
                    : "handed to the mail server; nobody in this program can read them"}
                </span>
              </h2>
              <ul>
                {letters.map((l) => (
                  <li key={l.id} className="row py-2">
                    {l.body === null ? (
                      <span>
                        {l.subject}{" "}
                        <span className="small">
                          to {l.recipient} · {l.sentAt ? "handed over" : "waiting"}
                        </span>
                      </span>
                    ) : (
                      <Disclosure
                        summary={
                          <>
                            {l.subject}{" "}
                            <span className="small">
                              to {l.recipient} · {l.sentAt ? "handed over" : "waiting"}
                            </span>
                          </>
                        }
                      >
                        <pre className="whitespace-pre-wrap p-3 bg-[var(--paper)]" style={{ fontFamily: "inherit" }}>
                          {l.body}
                        </pre>
                      </Disclosure>
                    )}
                  </li>
                ))}
                {letters.length === 0 ? (
                  <li className="small py-2">No emails yet. An invitation sends the first one.</li>
                ) : null}
              </ul>
            </section>
          )}
        </>
      ) : null}
    </div>
  );
}
