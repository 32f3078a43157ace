import { CheckPicture } from "@/components/records/check-picture";
import { Disclosure } from "@/components/ui/disclosure";
import { DayInput } from "@/components/ui/day-field";
import { Button, LinkButton } from "@/components/ui/button";
import Link from "next/link";
import { checkAction } from "@/app/actions/records";
import { ActionForm, Fault, Field } from "@/components/ui/action-form";
import { STAGE_WORDS } from "@/components/words/stages";
import { Empty } from "@/components/ui/notice";
import { Section } from "@/components/ui/page";
import { TapePiece } from "@/components/verdict/marks";
import { shortDay } from "@/components/words/dates";
import { settleWords } from "@/components/words/settle-words";
import type { TodayView } from "@/server/control/today";

/** What is to be done first: reports, checks that are due, and work whose window is open. */
export function WorkNow({ view }: { view: TodayView }) {
  const due = view.checks.filter((c) => c.days <= 0);
  const soon = view.checks.filter((c) => c.days > 0);
  const open = view.windows.filter((w) => w.open);
  return (
    <>
      {view.reports.length > 0 ? (
        <Section title="Report first" aside="before anything is done">
          <ul>
            {view.reports.map((f) => (
              <Line
                key={f.id}
                href={`/findings/${f.id}`}
                main={f.name}
                sub={`${f.siteName} · found ${shortDay(f.day)}`}
                tape="clear"
              />
            ))}
          </ul>
        </Section>
      ) : null}
      <Section title="Go back and check" aside={`${due.length} due`}>
        <ul>
          {due.length + soon.length === 0 ? (
            <li>
              <Empty>Each treatment makes its own dates here.</Empty>
            </li>
          ) : (
            [...due, ...soon.slice(0, 3)].map((c) => <CheckLine key={c.id} check={c} mayLook={view.mayLook} />)
          )}
        </ul>
      </Section>
      {view.looked.length > 0 ? (
        <Section title="Checked lately" aside="and recorded">
          <ul>
            {view.looked.map((c) => (
              <Line
                key={c.id}
                href={`/ground/patch/${c.patchId}`}
                main={`${c.patch}: ${c.plant}`}
                sub={`${shortDay(c.doneOn)} · ${c.by} · ${c.note}`}
              />
            ))}
          </ul>
        </Section>
      ) : null}
      <Section title="Windows" aside={`${open.length} open now`}>
        <ul>
          {view.windows.length === 0 ? (
            <li>
              <Empty>No work is planned. Plan it from a finding that is clear to act.</Empty>
            </li>
          ) : (
            view.windows.map((w) => <WindowLine key={w.id} w={w} mayRecord={view.mayRecord} />)
          )}
        </ul>
      </Section>
    </>
  );
}

/** A piece of planned work with what presses. */
const WindowLine = ({ w, mayRecord }: { w: TodayView["windows"][number]; mayRecord: boolean }) => {
  const presses = [
    windowWords(w),
    w.lastBeforeSeed ? `last good day before seed ${shortDay(w.lastBeforeSeed)}` : "",
    w.overruled ? "overruled in writing" : "",
    w.labelChanged ? "the label has changed since: check the plan again" : "",
  ];
  return (
    <Line
      href={mayRecord && w.open && !w.labelChanged ? `/ledger/new?plan=${w.id}` : `/season/plan/${w.id}`}
      main={`${w.mine ? "Yours · " : ""}${w.title}`}
      sub={[`${w.patch}, ${w.site}`, w.person, ...presses].filter(Boolean).join(" · ")}
      badge={w.open ? "open" : w.missed ? "missed" : undefined}
    />
  );
};

function windowWords(w: TodayView["windows"][number]): string {
  if (w.missed) return `the window closed on ${shortDay(w.to)}: move it or drop it`;
  return w.open ? `open until ${shortDay(w.to)}, ${w.days} days left` : `opens ${shortDay(w.from)}`;
}

/** What waits: plants on hold, and clear findings without a plan. */
export const WorkLater = ({ view }: { view: TodayView }) => (
  <>
    <Section title="On hold" aside="and the day each can be settled">
      <ul>
        {view.holds.length === 0 ? (
          <li>
            <Empty>No plant is on hold.</Empty>
          </li>
        ) : (
          view.holds
            .slice(0, 12)
            .map((f) => (
              <Line
                key={f.id}
                href={`/findings/${f.id}`}
                main={`${f.name} · ${f.siteName}`}
                sub={`${f.because} ${settleWords(f, view.today)}`}
                tape={f.verdict}
              />
            ))
        )}
      </ul>
    </Section>
    <Section title="To be planned" aside={`${view.unplanned.length}`}>
      <ul>
        {view.unplanned.length === 0 ? (
          <li>
            <Empty>Every finding that may be acted on has its plan.</Empty>
          </li>
        ) : (
          view.unplanned
            .slice(0, 9)
            .map((f) => (
              <Line
                key={f.id}
                href={`/findings/${f.id}`}
                main={f.name}
                sub={`${f.siteName} · ${shortDay(f.day)} · ${f.madeBy}`}
                tape={f.verdict}
              />
            ))
        )}
      </ul>
    </Section>
  </>
);

function Line({
  href,
  main,
  sub,
  tape,
  badge,
}: {
  href: string;
  main: string;
  sub: string;
  tape?: string;
  badge?: string;
}) {
  return (
    <li className="row">
      <Link
        href={href}
        className="no-underline flex gap-3 items-start justify-between py-2 min-h-[48px] hover:underline"
      >
        <span>
          <span className="font-semibold">{main}</span>
          <br />
          <span className="small">{sub}</span>
        </span>
        {tape ? <TapePiece verdict={tape} /> : badge ? <span className="chip font-bold">{badge}</span> : null}
      </Link>
    </li>
  );
}

const Kilometers = ({ meters }: { meters: number | null }) =>
  meters === null ? null : (
    <span> · {meters < 950 ? `${Math.round(meters / 50) * 50} m` : `${(meters / 1000).toFixed(1)} km`}</span>
  );

function CheckLine({ check, mayLook }: { check: TodayView["checks"][number]; mayLook: boolean }) {
  const when =
    check.days < 0
      ? `${-check.days} days late`
      : check.days === 0
        ? "due today"
        : `in ${check.days} days, ${shortDay(check.dueOn)}`;
  if (!mayLook)
    return (
      <Line
        href={`/ground/patch/${check.patchId}`}
        main={`${check.patch}: ${check.plant}`}
        sub={`${check.site} · ${when}`}
      />
    );
  return (
    <li className="row">
      <Disclosure
        summary={
          <span>
            <span className="font-semibold">
              {check.patch}: {check.plant}
            </span>{" "}
            <span className={check.days < 0 ? "font-bold text-[var(--danger)]" : "small"}>{when}</span>
            <span className="small block pl-[1.1em]">
              {check.site} · {check.what}
              <Kilometers meters={check.meters} />
            </span>
          </span>
        }
      >
        <ActionForm
          action={checkAction}
          draft={`check-${check.id}`}
          label={`Record the check of ${check.patch}`}
          className="grid sm:grid-cols-2 gap-x-4 gap-y-3 pb-4 pl-4"
        >
          <input type="hidden" name="id" value={check.id} />
          <Field name="doneOn" label="Checked on">
            <DayInput
              name="doneOn"
              label="day of the check"
              value={[check.dueOn, check.today].sort()[1] ?? check.today}
            />
          </Field>
          <Field name="seen" label="Plants seen">
            <select name="seen" defaultValue="">
              <option value="">choose</option>
              <option value="none">none</option>
              <option value="some">some</option>
              <option value="many">many</option>
            </select>
          </Field>
          <fieldset className="sm:col-span-2 flex flex-wrap gap-x-4">
            <legend className="small">In which stages</legend>
            {Object.entries(STAGE_WORDS).map(([id, name]) => (
              <label key={id} className="tick">
                <input type="checkbox" name="stages" value={id} />
                {name}
              </label>
            ))}
            <Fault name="stages" />
          </fieldset>
          <Field name="note" label="Note">
            <input name="note" />
          </Field>
          <CheckPicture checkId={check.id} />
          <p className="flex gap-3">
            <Button type="submit" look="press">
              Record
            </Button>
            <LinkButton href={`/ground/patch/${check.patchId}`}>The patch</LinkButton>
          </p>
        </ActionForm>
      </Disclosure>
    </li>
  );
}
