import Link from "next/link";
import { notFound } from "next/navigation";
import { acknowledgeAction, answerQuestionAction } from "@/app/actions/reports";
import { PrintButton } from "@/components/shell/print-button";
import { ActionForm, Field } from "@/components/ui/action-form";
import { Button } from "@/components/ui/button";
import { DayInput } from "@/components/ui/day-field";
import { Notice } from "@/components/ui/notice";
import { PageHead, Section } from "@/components/ui/page";
import { REPORT_WORDS } from "@/components/words/report-words";
import { inZone } from "@/core/time";
import { isDemonstration } from "@/env";
import { Refusal } from "@/server/platform/faults";
import { memberOrSignIn } from "@/server/platform/session";
import { reportDetail } from "@/server/reports/reports";

export const metadata = { title: "Report" };

export default async function ReportPage({ params }: { params: Promise<{ id: string }> }) {
  const member = await memberOrSignIn();
  const view = await reportDetail(member, (await params).id).catch((error) => {
    if (error instanceof Refusal && error.status === 404) return notFound();
    throw error;
  });
  const { report } = view;
  const settled = report.state === "acknowledged" || report.state === "waived" || report.state === "refused";
  const mayEnter = member.roles.includes("specialist") || member.roles.includes("keeper");
  return (
    <article className="px-4 md:px-6 py-5 max-w-[860px]">
      <PageHead
        above={<Link href={`/findings/${report.findingId}`}>Finding F-{view.number}</Link>}
        title={`Report of ${report.taxon}`}
        actions={<PrintButton />}
      >
        <p>
          <strong>{REPORT_WORDS[report.state]}</strong>
          {report.reference ? `, reference ${report.reference}` : ""}
        </p>
      </PageHead>
      {isDemonstration() ? (
        <Notice className="mt-3 no-print">
          The registry is simulated. Nothing leaves this demonstration. It acknowledges, asks about some reports, and is
          down now and then.
        </Notice>
      ) : null}
      {report.way === "printed" && !settled ? (
        <p className="mt-3 no-print">Print this page, send it, and enter the acknowledgment when it comes back.</p>
      ) : null}
      <Section title="What is sent" aside="as it is, byte for byte">
        <pre className="whitespace-pre-wrap py-2" style={{ fontFamily: "inherit" }}>
          {report.body}
        </pre>
      </Section>
      <Section title="History">
        <ol>
          <li className="row py-1.5">
            Made by {report.madeBy}. <span className="small">{inZone(report.createdAt.toISOString(), view.zone)}</span>
          </li>
          {view.events.map((event) => (
            <li key={event.id} className="row py-1.5">
              {EVENTS[event.kind]}
              {event.body.text ? `: “${event.body.text}”` : ""}
              {event.body.reference ? `, reference ${event.body.reference}` : ""}
              {event.kind === "acknowledged" && event.body.by ? `, by ${event.body.by}` : ""}.{" "}
              <span className="small">
                {event.by}, {inZone(event.at.toISOString(), view.zone)}
              </span>
            </li>
          ))}
        </ol>
      </Section>
      {report.state === "question" && member.roles.some((role) => role === "scout" || role === "specialist") ? (
        <Section title="Answer the question" className="mt-6 no-print">
          <ActionForm
            action={answerQuestionAction}
            draft={`answer-${report.id}`}
            label="Answer"
            className="grid gap-3 mt-2"
          >
            <input type="hidden" name="reportId" value={report.id} />
            <Field name="answer" label="Your answer">
              <textarea name="answer" />
            </Field>
            <p>
              <Button type="submit" look="press">
                Send the answer
              </Button>
            </p>
          </ActionForm>
        </Section>
      ) : null}
      {!settled && mayEnter ? (
        <Section title="Enter an acknowledgment" className="mt-6 no-print">
          <ActionForm
            action={acknowledgeAction}
            draft={`acknowledge-${report.id}`}
            label="Acknowledgment"
            className="grid sm:grid-cols-3 gap-x-5 gap-y-3 mt-2 items-end"
          >
            <input type="hidden" name="reportId" value={report.id} />
            <Field name="by" label="Who acknowledged it">
              <input name="by" />
            </Field>
            <Field name="day" label="On">
              <DayInput name="day" label="day of the acknowledgment" value={view.today} max={view.today} />
            </Field>
            <Field name="reference" label="Reference">
              <input name="reference" />
            </Field>
            <p>
              <Button type="submit">Enter it</Button>
            </p>
          </ActionForm>
        </Section>
      ) : null}
    </article>
  );
}

const EVENTS: Record<string, string> = {
  sent: "Handed over",
  failed: "Not handed over",
  question: "The registry asks",
  answer: "Answered",
  refused: "Sent back",
  acknowledged: "Acknowledged",
  waived: "Waived in writing",
};
