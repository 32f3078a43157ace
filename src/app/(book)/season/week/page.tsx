import { PrintButton } from "@/components/shell/print-button";
import { Button } from "@/components/ui/button";
import { Empty } from "@/components/ui/notice";
import { PageHead, Section } from "@/components/ui/page";
import { fullDay, longDay, shortDay } from "@/components/words/dates";
import { addDays } from "@/core/time";
import { memberOrSignIn } from "@/server/platform/session";
import { type SheetOf, type SheetTask, type WeekSheet, weekSheet } from "@/server/season/week-sheet";
import { SeasonNav } from "../season-nav";
import { SheetMap } from "./sheet-map";

export const metadata = { title: "Week sheet" };

/** "crew:ID" or "person:ID", as the form sends it. */
function sheetOf(who: string | undefined, self: string): SheetOf {
  const [kind, id] = (who ?? `person:${self}`).split(":");
  if (kind === "crew" && id) return { crew: id };
  return kind === "person" && id ? { person: id } : null;
}

export default async function WeekSheetPage({
  searchParams,
}: {
  searchParams: Promise<{ who?: string; monday?: string }>;
}) {
  const member = await memberOrSignIn();
  const { who, monday } = await searchParams;
  const sheet = await weekSheet(member, monday, sheetOf(who, member.personId));
  const chosen = who ?? `person:${member.personId}`;
  const name = nameOf(sheet, chosen) ?? member.personName;
  const tasks = sheet.days.flatMap(({ tasks: of }) => of).length + sheet.undated.length;
  return (
    <div className="px-4 md:px-6 py-5 max-w-[980px]">
      <PageHead title={`Week sheet: ${name}`} actions={tasks > 0 ? <PrintButton /> : null}>
        <p className="text-[var(--soft)]">
          {fullDay(sheet.monday)} to {fullDay(addDays(sheet.monday, 6))}, {member.name}
        </p>
      </PageHead>
      <SeasonNav at="sheet" />
      <ChooseSheet {...{ sheet, chosen, name }} />
      {tasks === 0 ? <Empty>There is no work for {name} in this week.</Empty> : <Sheet sheet={sheet} />}
    </div>
  );
}

const nameOf = ({ people, crews }: WeekSheet, chosen: string): string | undefined =>
  chosen === "all" ? "everyone" : [...people, ...crews].find(({ id }) => chosen.endsWith(`:${id}`))?.name;

const ChooseSheet = ({ sheet, chosen, name }: { sheet: WeekSheet; chosen: string; name: string }) => (
  <form action="/season/week" className="mt-3 flex flex-wrap gap-3 items-end no-print">
    <label className="field">
      <span className="small block">For</span>
      <select name="who" defaultValue={chosen}>
        <option value="all">everyone</option>
        {/* Who has no work this week is not among the people of the sheet. */}
        {nameOf(sheet, chosen) ? null : <option value={chosen}>{name}</option>}
        {sheet.crews.map(({ id, name }) => (
          <option key={id} value={`crew:${id}`}>
            {name} (crew)
          </option>
        ))}
        {sheet.people.map(({ id, name }) => (
          <option key={id} value={`person:${id}`}>
            {name}
          </option>
        ))}
      </select>
    </label>
    <label className="field">
      <span className="small block">Week</span>
      <select name="monday" defaultValue={sheet.monday}>
        {Array.from({ length: 9 }, (_, i) => addDays(sheet.monday, (i - 2) * 7)).map((monday) => (
          <option key={monday} value={monday}>
            {shortDay(monday)} to {shortDay(addDays(monday, 6))}
          </option>
        ))}
      </select>
    </label>
    <Button type="submit">Show</Button>
  </form>
);

const Sheet = ({ sheet }: { sheet: WeekSheet }) => (
  <>
    <div className="grid md:grid-cols-[minmax(0,1fr)_300px] gap-x-8">
      <div>
        {sheet.days
          .filter(({ tasks }) => tasks.length > 0)
          .map(({ day, tasks }) => (
            <Section key={day} title={longDay(day)}>
              <Tasks tasks={tasks} />
            </Section>
          ))}
        {sheet.undated.length > 0 ? (
          <Section title="Without a day this week" aside="the window closes, or was missed">
            <Tasks tasks={sheet.undated} />
          </Section>
        ) : null}
      </div>
      <aside className="mt-6">
        <SheetMap map={sheet.map} />
        <h2 className="ruled mt-4">Take along</h2>
        <p className="py-2">{sheet.kit.join(", ") || "nothing is listed"}</p>
      </aside>
    </div>
    <p className="small mt-4 max-w-[70ch]">
      The label, local law and a licensed professional take precedence over this sheet. Check the plan before you go: a
      printed sheet is not updated.
    </p>
  </>
);

const Tasks = ({ tasks }: { tasks: SheetTask[] }) => (
  <ul>
    {tasks.map(({ line, number, cautions }) => (
      <li key={line.plan.id} className="row py-2 grid grid-cols-[34px_minmax(0,1fr)] gap-x-2">
        <span className="figure text-[18px] font-semibold">{number}</span>
        <div>
          <p>
            <strong>{line.title}</strong> <span className="latin">{line.plan.taxon}</span>
          </p>
          <p className="small">
            {line.patch}, {line.site} · {[line.person, ...line.helpers].join(", ")} · window until{" "}
            {fullDay(line.plan.windowTo)}
            {line.plan.hours ? ` · ${line.plan.hours} h together` : ""}
            {line.lastBeforeSeed ? ` · last good day before seed ${shortDay(line.lastBeforeSeed)}` : ""}
          </p>
          <ul className="small border-l-4 border-[var(--madder)] pl-2 mt-1">
            {cautions.map((caution) => (
              <li key={caution}>{caution}</li>
            ))}
          </ul>
        </div>
      </li>
    ))}
  </ul>
);
