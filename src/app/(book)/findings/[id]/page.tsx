import { Notice } from "@/components/ui/notice";
import { notFound } from "next/navigation";
import { Tape } from "@/components/verdict/marks";
import { fullDay } from "@/components/words/dates";
import { settleWords } from "@/components/words/settle-words";
import { findingDetail } from "@/server/findings/findings";
import { plantsOf } from "@/server/flora/amendments";
import { Refusal } from "@/server/platform/faults";
import { memberOrSignIn } from "@/server/platform/session";
import { FindingHead } from "./finding-head";
import { NextSteps } from "./next-steps";
import { Confirmed } from "./confirmed";
import { ReportFirst } from "./report-first";
import { Seen } from "./seen";
import { WhoFitted, JudgedBefore, Overrule } from "./verdicts";

export const metadata = { title: "Finding" };

export default async function FindingPage({ params }: { params: Promise<{ id: string }> }) {
  const member = await memberOrSignIn();
  const plants = await plantsOf(member);
  const view = await findingDetail(member, (await params).id).catch((error) => {
    if (error instanceof Refusal && error.status === 404) return notFound();
    throw error;
  });
  const { line } = view;
  const { verdicts, overrulings } = view;
  const verdict = verdicts.at(-1)?.body;
  const specialist = member.roles.includes("specialist");
  const mayMark = specialist || member.roles.includes("scout");
  return (
    <div>
      <FindingHead line={line} />
      <Tape
        verdict={line.verdict}
        reason={line.because}
        todo={
          line.settleFrom
            ? settleWords(line, view.today)
            : line.reportFirst
              ? "Report it before anything is done."
              : undefined
        }
      />
      <div className="px-4 md:px-6 py-5 grid lg:grid-cols-2 gap-x-10 gap-y-6">
        <div>
          {overrulings.map((e) => (
            <Notice key={e.id} grave className="mb-4">
              <strong>Overruled in writing</strong> by {e.by}, {fullDay(e.at.toISOString())}: taken as{" "}
              {plants.common(e.body.taxon)}. “{e.body.reason}”
            </Notice>
          ))}
          {line.reportFirst ? (
            <div className="mb-6">
              <ReportFirst view={view} specialist={specialist} mayReport={mayMark} />
            </div>
          ) : null}
          <NextSteps line={line} specialist={specialist} mayMark={mayMark} />
          <Seen view={view} plants={plants} mayMark={mayMark} />
        </div>
        <div>
          <WhoFitted verdict={verdict} plants={plants} />
          {verdicts.length > 1 ? <JudgedBefore verdicts={verdicts} /> : null}
          <Confirmed view={view} specialist={specialist} />
          {specialist && line.verdict !== "clear" && !line.overruled ? (
            <Overrule line={line} verdict={verdict} plants={plants} />
          ) : null}
        </div>
      </div>
    </div>
  );
}
