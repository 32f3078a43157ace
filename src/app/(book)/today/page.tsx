import { PageHead } from "@/components/ui/page";
import { LinkButton } from "@/components/ui/button";
import Link from "next/link";
import { longDay } from "@/components/words/dates";
import { todayFor } from "@/server/control/today";
import { memberOrSignIn } from "@/server/platform/session";
import { WorkNow, WorkLater } from "./work";

export const metadata = { title: "Today" };

export default async function TodayPage() {
  const member = await memberOrSignIn();
  const view = await todayFor(member);
  const due = view.checks.filter((c) => c.days <= 0);
  const open = view.windows.filter((w) => w.open);
  const nothing =
    view.reports.length + view.checks.length + view.windows.length + view.unplanned.length + view.holds.length === 0;
  return (
    <div className="px-4 md:px-6 py-5">
      <PageHead title={longDay(view.today)}>
        <p className="text-[var(--soft)] md:hidden">{view.district}</p>
      </PageHead>
      <p className="mt-1 text-[18px]">{summary(due.length, open.length, view.holds.filter((h) => h.due).length)}</p>
      <p className="mt-3 no-print">
        <LinkButton href="/bench" look="press">
          Identify a plant
        </LinkButton>
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
          <WorkLater view={view} />
        </div>
      </div>
      <p className="small mt-8 no-print">
        <Link href="/second-look">Check old findings again</Link> shows which of them would get another verdict today,
        with the flora, the list and the costs as they are now.
      </p>
    </div>
  );
}

const count = (n: number, one: string, many: string) => (n === 1 ? `one ${one}` : `${n} ${many}`);
function summary(due: number, open: number, settle: number): string {
  const parts = [
    due ? `${count(due, "check is", "checks are")} due` : "",
    open ? `${count(open, "window is", "windows are")} open` : "",
    settle ? `${count(settle, "hold", "holds")} can be settled` : "",
  ].filter(Boolean);
  if (parts.length === 0) return "Nothing presses today.";
  const text = `${parts.join(", ")}.`;
  return text.charAt(0).toUpperCase() + text.slice(1);
}
