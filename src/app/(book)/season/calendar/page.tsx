import Link from "next/link";
import { Empty } from "@/components/ui/notice";
import { PageHead } from "@/components/ui/page";
import { fullDay } from "@/components/words/dates";
import { memberOrSignIn } from "@/server/platform/session";
import { calendarView, type Group, GROUPS } from "@/server/season/calendar";
import { SeasonNav } from "../season-nav";
import { BandRow, Months, Signs, TodayLine } from "./bands";

export const metadata = { title: "Calendar of the season" };

export default async function CalendarPage({ searchParams }: { searchParams: Promise<{ by?: string }> }) {
  const member = await memberOrSignIn();
  const { by } = await searchParams;
  const group: Group = by === "person" || by === "method" ? by : "patch";
  const view = await calendarView(member, group);
  return (
    <div className="px-4 md:px-6 py-5">
      <PageHead title="Calendar of the season">
        <p className="text-[var(--soft)]">
          {fullDay(view.from)} to {fullDay(view.to)}. Each line opens its plan; the Tab key goes from line to line.
        </p>
      </PageHead>
      <SeasonNav at="calendar" />
      <nav aria-label="Groups of the calendar" className="mt-2 flex flex-wrap gap-x-5 no-print">
        {Object.entries(GROUPS).map(([id, name]) => (
          <Link
            key={id}
            href={`/season/calendar?by=${id}`}
            aria-current={id === group ? "page" : undefined}
            className={`tap ${id === group ? "font-bold no-underline" : ""}`}
          >
            {name}
          </Link>
        ))}
      </nav>
      <Signs />
      {view.groups.length === 0 ? (
        <Empty>Nothing is planned. Open a finding that is clear to act and choose what can be done.</Empty>
      ) : (
        <div className="mt-3 relative">
          <TodayLine view={view} />
          <Months view={view} />
          {view.groups.map((held) => (
            <section key={held.name} aria-label={held.name}>
              <h2 className="text-[15px] mt-3">
                {held.href ? (
                  <Link href={held.href} className="tap">
                    {held.name}
                  </Link>
                ) : (
                  held.name
                )}
              </h2>
              <ul>
                {held.rows.map((row) => (
                  <BandRow key={row.line.plan.id} {...{ row, view, group }} />
                ))}
              </ul>
            </section>
          ))}
        </div>
      )}
    </div>
  );
}
