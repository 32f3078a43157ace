import Link from "next/link";
import { v7 as newId } from "uuid";
import { reportAction, waiveAction } from "@/app/actions/reports";
import { ActionForm, Field } from "@/components/ui/action-form";
import { Button } from "@/components/ui/button";
import { Disclosure, PlainAction } from "@/components/ui/disclosure";
import { Section } from "@/components/ui/page";
import { REPORT_WORDS } from "@/components/words/report-words";
import { fullDay } from "@/components/words/dates";
import type { findingDetail } from "@/server/findings/findings";

type View = Awaited<ReturnType<typeof findingDetail>>;

/** A plant that is reported before anything is done about it: its reports, and the form for the first or the next. */
export function ReportFirst({ view, specialist, mayReport }: { view: View; specialist: boolean; mayReport: boolean }) {
  const open = view.reports.find((report) => report.state !== "refused");
  const settled = open?.state === "acknowledged" || open?.state === "waived";
  return (
    <Section className="" title="Report first" aside={settled ? undefined : "before anything is done"}>
      <ul>
        {view.reports.map((report) => (
          <li key={report.id} className="row py-1.5">
            <Link href={`/reports/${report.id}`} className="tap">
              Report of {fullDay(report.createdAt.toISOString())}
            </Link>{" "}
            {REPORT_WORDS[report.state].toLowerCase()}
            {report.reference ? `, reference ${report.reference}` : ""}
          </li>
        ))}
      </ul>
      {open || !mayReport ? null : (
        <ActionForm action={reportAction} draft={`report-${view.line.id}`} label="Report" className="grid gap-3 mt-2">
          <input type="hidden" name="id" value={newId()} />
          <input type="hidden" name="findingId" value={view.line.id} />
          <Field name="note" label="What the registry should know besides plant, place and day">
            <textarea name="note" />
          </Field>
          <p>
            <Button type="submit" look="press">
              Report it
            </Button>
          </p>
        </ActionForm>
      )}
      {specialist && !settled ? (
        <Disclosure className="no-print" summary={<PlainAction>Waive the acknowledgment …</PlainAction>}>
          <ActionForm action={waiveAction} draft={`waive-${view.line.id}`} label="Waive" className="grid gap-3">
            <input type="hidden" name="findingId" value={view.line.id} />
            <Field name="reason" label="Why control need not wait">
              <textarea name="reason" />
            </Field>
            <p>
              <Button type="submit">Waive it in my name</Button>
            </p>
          </ActionForm>
        </Disclosure>
      ) : null}
    </Section>
  );
}
