import Link from "next/link";
import { NearToFar } from "@/components/shell/near-to-far";
import { LinkButton } from "@/components/ui/button";
import { PageHead } from "@/components/ui/page";
import { longDay } from "@/components/words/dates";
import { todayFor, type TodayView } from "@/server/control/today";
import { readPlace } from "@/core/paging";
import { memberOrSignIn } from "@/server/platform/session";
import { Alerts } from "./alerts";
import { WorkLater, WorkNow } from "./work";

export const metadata = { title: "Today" };

export default async function TodayPage({ searchParams }: { searchParams: Promise<{ at?: string }> }) {
  const member = await memberOrSignIn();
  const at = readPlace((await searchParams).at);
  const view = await todayFor(member, at);
  const nothing =
    view.reports.length + view.checks.length + view.windows.length + view.unplanned.length + view.holds.length === 0;
  const next = nextStep(view);
  return (
    <div className="px-4 md:px-6 py-5">
      <PageHead title={longDay(view.today)}>
        <p className="text-[var(--soft)] md:hidden">{view.district}</p>
      </PageHead>
      {next ? (
        <p className="mt-2 text-[18px]">
          <span className="small block">Next</span>
          <Link href={next.href} className="tap font-semibold">
            {next.what}
          </Link>
        </p>
      ) : null}
      <p className="mt-1">{summary(view)}</p>
      <p className="mt-3 no-print flex flex-wrap gap-2">
        {view.mayLook ? (
          <LinkButton href="/bench" look="press">
            Identify a plant
          </LinkButton>
        ) : null}
        <NearToFar path="/today" on={at !== null} />
      </p>
      {nothing ? (
        <p className="mt-8 max-w-[60ch]">
          Nothing is due. Findings, plans and work will appear here in the order of doing them. Begin by looking at a
          plant on the Bench.
        </p>
      ) : null}
      <div className="grid lg:grid-cols-2 gap-x-10 mt-4">
        <div>
          <WorkNow view={view} />
        </div>
        <div>
          <Alerts view={view} />
          <WorkLater view={view} />
        </div>
      </div>
      {view.mayPlan ? (
        <p className="small mt-8 no-print">
          <Link href="/second-look">Check old findings again</Link> shows which of them would get another verdict today,
          with the flora, the list and the costs as they are now.
        </p>
      ) : null}
    </div>
  );
}

/** The one thing to do first, for this person. */
function nextStep(view: TodayView): { href: string; what: string } | null {
  const [question] = view.reportsOpen.filter((r) => r.state === "question");
  const [report] = view.reports;
  const [late] = view.checks.filter((c) => c.days <= 0);
  const [mine] = view.windows.filter((w) => w.open && w.mine && w.against.length === 0);
  const [plan] = view.unplanned;
  const [settle] = view.holds.filter((h) => h.due);
  if (question && view.mayLook)
    return { href: `/reports/${question.id}`, what: `Answer the registry about ${question.plant}.` };
  if (report && view.mayLook)
    return { href: `/findings/${report.id}`, what: `Report ${report.name} at ${report.siteName}.` };
  if (mine && view.mayRecord)
    return { href: `/ledger/new?plan=${mine.id}`, what: `${mine.method}: ${mine.plant}, ${mine.patch}.` };
  if (late && view.mayLook)
    return { href: `/ground/patch/${late.patchId}`, what: `Go back to ${late.patch}: ${late.plant}.` };
  if (plan && view.mayPlan)
    return { href: `/findings/${plan.id}`, what: `Plan work on ${plan.name} at ${plan.siteName}.` };
  if (settle && view.mayLook)
    return { href: `/findings/${settle.id}`, what: `Settle ${settle.name} at ${settle.siteName}.` };
  return null;
}

const count = (n: number, one: string, many: string) => (n === 1 ? `one ${one}` : `${n} ${many}`);
function summary(view: TodayView): string {
  const due = view.checks.filter((c) => c.days <= 0).length;
  const open = view.windows.filter((w) => w.open).length;
  const settle = view.holds.filter((h) => h.due).length;
  const parts = [
    due ? `${count(due, "check is", "checks are")} due` : "",
    open ? `${count(open, "window is", "windows are")} open` : "",
    settle ? `${count(settle, "hold", "holds")} can be settled` : "",
  ].filter(Boolean);
  if (parts.length === 0) return "Nothing presses today.";
  const text = `${parts.join(", ")}.`;
  return text.charAt(0).toUpperCase() + text.slice(1);
}
