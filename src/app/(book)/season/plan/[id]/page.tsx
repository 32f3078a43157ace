import Link from "next/link";
import { notFound } from "next/navigation";
import { LinkButton } from "@/components/ui/button";
import { Notice } from "@/components/ui/notice";
import { Item, PageHead, Section } from "@/components/ui/page";
import { fullDay } from "@/components/words/dates";
import { type PlanDetail, planDetail } from "@/server/control/plan-lines";
import { plannersFor } from "@/server/control/planning";
import { Refusal } from "@/server/platform/faults";
import { memberOrSignIn } from "@/server/platform/session";
import { ChangedLabel, ChangeForm, DropForm, PartForm } from "./plan-acts";

export const metadata = { title: "Plan" };
const STATES = { planned: "Planned", done: "Done", dropped: "Dropped" } as const;

export default async function PlanPage({ params }: { params: Promise<{ id: string }> }) {
  const member = await memberOrSignIn();
  const line = await planDetail(member, (await params).id).catch((error) => {
    if (error instanceof Refusal && error.status === 404) return notFound();
    throw error;
  });
  const { plan } = line;
  const open = plan.state === "planned";
  const specialist = member.roles.includes("specialist");
  const mayRecord = specialist || (member.roles.includes("applicator") && line.mine);
  return (
    <div className="px-4 md:px-6 py-5 max-w-[980px]">
      <PageHead
        above={
          <>
            <Link href="/season">Season</Link> · <Link href={`/ground/patch/${plan.patchId}`}>{line.patch}</Link>,{" "}
            {line.site}
          </>
        }
        title={line.method}
        actions={
          open && mayRecord ? (
            <>
              <LinkButton href={`/mix?plan=${plan.id}`}>{line.product ? "Mix for it" : "Hours and cost"}</LinkButton>
              <LinkButton look="press" href={`/ledger/new?plan=${plan.id}`}>
                Record it
              </LinkButton>
            </>
          ) : null
        }
      >
        <p className="text-[18px]">
          {line.plant} <span className="latin">{plan.taxon}</span>
        </p>
      </PageHead>
      {open && !mayRecord && member.roles.includes("applicator") ? (
        <p className="small mt-2">
          This is {line.person}’s work: {line.person} records it.
        </p>
      ) : null}
      {line.labelChange ? <ChangedLabel line={line} change={line.labelChange} specialist={specialist} /> : null}
      {[...line.labelSays.against, ...line.labelSays.ask].map((what) => (
        <Notice key={what} grave={line.labelSays.against.includes(what)} className="mt-4 max-w-[70ch]">
          {what}
        </Notice>
      ))}
      <Facts line={line} />
      {open && specialist ? <ChangeForm line={line} choices={await plannersFor(member)} /> : null}
      {open && mayRecord ? <PartForm plan={plan} /> : null}
      {open && specialist ? <DropForm plan={plan} /> : null}
      <History line={line} />
    </div>
  );
}

const Facts = ({ line }: { line: PlanDetail }) => {
  const { plan } = line;
  const missed = plan.state === "planned" && plan.windowTo < line.today;
  return (
    <>
      <div className="mt-4 grid grid-cols-2 md:grid-cols-4 gap-x-8 gap-y-3">
        <Item name="State">
          {STATES[plan.state]}
          {plan.state === "planned" && plan.doneShare > 0 ? `, ${Math.round(plan.doneShare * 100)}% done` : ""}
        </Item>
        <Item name={plan.onDays.length > 1 ? "Days" : "Day"}>{plan.onDays.map(fullDay).join(", ")}</Item>
        <Item name="Window">
          {fullDay(plan.windowFrom)} to {fullDay(plan.windowTo)}
          {missed ? <strong className="text-[var(--danger)]"> · missed</strong> : ""}
        </Item>
        <Item name="Last good day before seed">
          {line.lastBeforeSeed ? fullDay(line.lastBeforeSeed) : "none is ahead within a year"}
        </Item>
        <Item name="Person responsible">{line.person}</Item>
        <Item name="Who goes along">
          {line.crew ? `${line.crew}: ` : ""}
          {line.helpers.join(", ") || "no one else"}
        </Item>
        <Item name="Hours, all people together">{plan.hours ?? "not calculated"}</Item>
        <Item name="From">
          <Link href={`/findings/${plan.findingId}`} className="tap">
            the finding
          </Link>
          {plan.afterCheck ? ", and a check that found it again" : ""}
        </Item>
      </div>
      <p className="mt-4 max-w-[70ch]">
        <strong>What follows:</strong> {plan.followedBy}{" "}
        {line.followedByPlan ? (
          <Link href={`/season/plan/${line.followedByPlan.id}`} className="tap">
            It is work of its own.
          </Link>
        ) : null}
        {plan.followsPlan ? (
          <Link href={`/season/plan/${plan.followsPlan}`} className="tap">
            It follows this work.
          </Link>
        ) : null}
      </p>
      {line.entries.length > 0 ? (
        <p className="mt-2">
          Recorded as{" "}
          {line.entries.map((entry, i) => (
            <span key={entry.id}>
              {i > 0 ? ", " : ""}
              <Link href={`/ledger/${entry.id}`} className="tap">
                entry {entry.seq}
              </Link>
              {entry.kind === "void" ? " (a void)" : ""}
            </span>
          ))}
          .
        </p>
      ) : null}
    </>
  );
};

const History = ({ line }: { line: PlanDetail }) => (
  <Section title="History">
    <ol>
      {line.history.map((step) => (
        <li key={`${step.at}${step.what}`} className="row py-2">
          {step.what}{" "}
          <span className="small">
            {step.by}, {fullDay(step.at)}
          </span>
        </li>
      ))}
      {line.history.length === 0 ? <li className="small py-2">Nothing is shown to a visitor.</li> : null}
    </ol>
  </Section>
);
