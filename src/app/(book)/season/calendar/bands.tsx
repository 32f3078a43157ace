import { scaleUtc } from "d3-scale";
import type { CSSProperties } from "react";
import Link from "next/link";
import { fullDay, shortDay } from "@/components/words/dates";
import type { CalendarRow, CalendarView, Group } from "@/server/season/calendar";
import { addDays } from "@/core/time";

type Span = Pick<CalendarView, "today" | "from" | "to">;
const time = (day: string) => new Date(`${day}T00:00:00Z`);

/** Where a day lies between the ends of the calendar, in percent of its width. */
const scaleOf = ({ from, to }: Span) => scaleUtc([time(from), time(to)], [0, 100]).clamp(true);
const HEIGHT = 26;

/** The months along the top. */
export const Months = ({ view }: { view: Span }) => {
  const at = scaleOf(view);
  return (
    <div className="band-row" aria-hidden="true">
      <span />
      <svg width="100%" height={HEIGHT} aria-hidden="true">
        {at.ticks(12).map((month) => (
          <g key={month.toISOString()}>
            <line x1={`${at(month)}%`} x2={`${at(month)}%`} y1={0} y2={HEIGHT} stroke="var(--line)" />
            <text x={`${at(month)}%`} dx={4} y={17} fontSize={12} fill="var(--soft)">
              {monthName(month).slice(0, 1)}
              <tspan className="max-md:hidden">{monthName(month).slice(1)}</tspan>
            </text>
          </g>
        ))}
      </svg>
    </div>
  );
};

const monthName = (month: Date): string => month.toLocaleDateString("en-US", { month: "short", timeZone: "UTC" });

/** One line through all rows. Its place is a share of the width of the bands, which begin after the names on a desk. */
export const TodayLine = ({ view }: { view: Span }) => (
  <div
    className="today-line"
    style={{ "--at": scaleOf(view)(time(view.today)) / 100 } as CSSProperties}
    aria-hidden="true"
  />
);

/** One plan: its window as a band, its days as marks, the last good day before seed as a bar, visits as rings. */
export const BandRow = ({ row, view, group }: { row: CalendarRow; view: Span; group: Group }) => {
  const at = scaleOf(view);
  const { line, visits } = row;
  const { plan } = line;
  const begin = at(time(plan.windowFrom));
  const end = at(time(addDays(plan.windowTo, 1)));
  return (
    <li>
      <Link
        href={`/season/plan/${plan.id}`}
        className="band-row no-underline"
        aria-label={`${line.title}, ${line.patch}: ${wordsOf(row)}`}
      >
        <span className="truncate">
          {group === "method" ? line.plant : line.title}
          {group === "patch" ? "" : `, ${line.patch}`}
        </span>
        <svg width="100%" height={HEIGHT} aria-hidden="true">
          <rect
            x={`${begin}%`}
            width={`${Math.max(0.4, end - begin)}%`}
            y={7}
            height={12}
            fill={plan.state === "done" ? "none" : "var(--band)"}
            stroke="var(--ink)"
            strokeOpacity={0.5}
          />
          {line.lastBeforeSeed ? (
            <line
              x1={`${at(time(line.lastBeforeSeed))}%`}
              x2={`${at(time(line.lastBeforeSeed))}%`}
              y1={3}
              y2={HEIGHT - 3}
              stroke="var(--ink)"
              strokeWidth={2.5}
            />
          ) : null}
          {plan.onDays
            .filter((day) => day >= view.from)
            .map((day) => (
              <circle key={day} cx={`${at(time(day))}%`} cy={13} r={5} fill="var(--ink)" />
            ))}
          {visits.map((day) => (
            <circle
              key={day}
              cx={`${at(time(day))}%`}
              cy={13}
              r={5}
              fill="var(--paper)"
              stroke="var(--ink)"
              strokeWidth={2}
            />
          ))}
        </svg>
      </Link>
    </li>
  );
};

function wordsOf({ line: { plan, lastBeforeSeed }, visits }: CalendarRow): string {
  return [
    plan.state === "done" ? "done" : `meant for ${plan.onDays.map(fullDay).join(", ")}`,
    `window ${shortDay(plan.windowFrom)} to ${shortDay(plan.windowTo)}`,
    ...(lastBeforeSeed ? [`last good day before seed ${shortDay(lastBeforeSeed)}`] : []),
    ...visits.map((day) => `visit due ${shortDay(day)}`),
  ].join(", ");
}

const SIGNS = [
  [
    "window",
    <rect key="w" x={1} y={4} width={22} height={10} fill="var(--band)" stroke="var(--ink)" strokeOpacity={0.5} />,
  ],
  ["day of work", <circle key="d" cx={12} cy={9} r={5} fill="var(--ink)" />],
  ["visit", <circle key="v" cx={12} cy={9} r={5} fill="var(--paper)" stroke="var(--ink)" strokeWidth={2} />],
  ["last good day before seed", <line key="s" x1={12} x2={12} y1={0} y2={18} stroke="var(--ink)" strokeWidth={2.5} />],
  ["today", <line key="t" x1={12} x2={12} y1={0} y2={18} stroke="var(--madder)" strokeWidth={2} />],
] as const;

/** What the signs of the calendar mean. */
export const Signs = () => (
  <ul className="mt-3 flex flex-wrap gap-x-6 small" aria-label="Signs">
    {SIGNS.map(([name, shape]) => (
      <li key={name} className="flex items-center gap-2">
        <svg width={24} height={18} aria-hidden="true">
          {shape}
        </svg>
        {name}
      </li>
    ))}
  </ul>
);
