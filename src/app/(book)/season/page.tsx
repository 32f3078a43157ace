import Link from "next/link";
import { NearToFar } from "@/components/shell/near-to-far";
import { Button } from "@/components/ui/button";
import { Empty } from "@/components/ui/notice";
import { PageHead, Section } from "@/components/ui/page";
import { fullDay, shortDay } from "@/components/words/dates";
import { type Order, ORDERS } from "@/core/season";
import { type Params, readPlace } from "@/core/paging";
import { orderedLines, type PlanLine } from "@/server/control/plan-lines";
import { memberOrSignIn } from "@/server/platform/session";
import { isMissed, seasonView, type SeasonView } from "@/server/season/season-view";
import { PlanTable } from "./plan-table";
import { SeasonNav } from "./season-nav";

export const metadata = { title: "Season" };

const isOrder = (order: unknown): order is Order => typeof order === "string" && order in ORDERS;

export default async function SeasonPage({ searchParams }: { searchParams: Promise<Params> }) {
  const member = await memberOrSignIn();
  const params = await searchParams;
  const view = await seasonView(member);
  const shown = params.view === "planned" || params.view === "done" ? params.view : "week";
  const place = readPlace(params.at);
  const order: Order = place ? "near" : isOrder(params.order) ? params.order : "day";
  const inView = shown === "week" ? view.week : view.lines.filter(({ plan }) => plan.state === shown);
  const ordered =
    order === "day" ? inView.map((line) => ({ line, why: "" })) : await orderedLines(member, inView, order, place);
  return (
    <div className="px-4 md:px-6 py-5 flex flex-col">
      <PageHead title="Season" actions={shown === "week" ? <NearToFar path="/season" on={place !== null} /> : null}>
        {shown === "week" ? (
          <p className="text-[var(--soft)]">
            {shortDay(view.monday)} to {fullDay(view.sunday)}
          </p>
        ) : null}
      </PageHead>
      <div className={shown === "week" ? "max-md:order-last" : ""}>
        <SeasonNav at={shown} />
      </div>
      {shown === "week" ? (
        <Week {...{ ordered, view, order }} />
      ) : (
        <>
          {shown === "planned" ? <OrderForm order={order} view={shown} /> : null}
          <PlanTable {...{ ordered, params, order }} state={shown} />
        </>
      )}
    </div>
  );
}

/** This week: one's own work first, then that of the others; then who has how many hours. */
const Week = ({
  ordered,
  view,
  order,
}: {
  ordered: { line: PlanLine; why: string }[];
  view: SeasonView;
  order: Order;
}) => {
  const mine = ordered.filter(({ line }) => line.mine);
  const others = ordered.filter(({ line }) => !line.mine);
  return (
    <>
      <Section title="Yours" aside={`${mine.length}`}>
        <Lines lines={mine} today={view.today} none="You have no work this week." />
      </Section>
      <Section title="Of the others" aside={`${others.length}`}>
        <Lines lines={others} today={view.today} none="The others have no work this week." />
      </Section>
      <OrderForm order={order} view="week" />
      <Hours view={view} />
    </>
  );
};

const Lines = ({ lines, today, none }: { lines: { line: PlanLine; why: string }[]; today: string; none: string }) => (
  <ul>
    {lines.map(({ line, why }) => (
      <li key={line.plan.id} className="row">
        <Link href={`/season/plan/${line.plan.id}`} className="block py-2 no-underline">
          <span className="font-semibold">{line.title}</span>
          <span className="block">
            {line.plan.onDays.map(fullDay).join(", ")} · {line.patch}, {line.site}
          </span>
          <span className="small block">
            {[line.person, ...line.helpers].join(", ")}
            {" · "}
            {isMissed(line, today) ? (
              <strong className="text-[var(--danger)]">the window closed on {fullDay(line.plan.windowTo)}</strong>
            ) : (
              `window until ${shortDay(line.plan.windowTo)}`
            )}
            {line.lastBeforeSeed ? ` · last good day before seed ${shortDay(line.lastBeforeSeed)}` : ""}
            {line.plan.doneShare > 0 ? ` · ${Math.round(line.plan.doneShare * 100)}% done` : ""}
          </span>
          {why ? <span className="small block">{why}</span> : null}
        </Link>
      </li>
    ))}
    {lines.length === 0 ? (
      <li>
        <Empty>{none}</Empty>
      </li>
    ) : null}
  </ul>
);

/** Hours that the week needs of each person, beside those that the person has. */
const Hours = ({ view }: { view: SeasonView }) =>
  view.hours.length === 0 ? null : (
    <Section title="Hours of the week" aside="needed, and there">
      <table className="mt-2">
        <tbody>
          {view.hours.map(({ person, hours, has }) => (
            <tr key={person} className="row">
              <th scope="row" className="text-left font-normal py-2 pr-6">
                {person}
              </th>
              <td className="figure pr-6">{hours} h needed</td>
              <td>
                {has === null ? (
                  <span className="small">no one has said how many are there</span>
                ) : hours > has ? (
                  <strong className="text-[var(--danger)]">
                    {has} h there: {Math.round((hours - has) * 4) / 4} h too few
                  </strong>
                ) : (
                  `${has} h there`
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Section>
  );

/** Lays an order over the list. It is in the address, and works without a script. */
const OrderForm = ({ order, view }: { order: Order; view: string }) => (
  <form action="/season" className="mt-4 flex flex-wrap gap-3 items-end no-print">
    <input type="hidden" name="view" value={view} />
    <label className="field">
      <span className="small block">Priority</span>
      <select name="order" defaultValue={order}>
        {Object.entries(ORDERS).map(([id, name]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
    <Button type="submit">Apply</Button>
  </form>
);
