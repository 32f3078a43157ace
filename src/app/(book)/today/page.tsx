import Link from "next/link";
import type { ReactNode } from "react";
import { checkAction } from "@/app/actions/records";
import { ActionForm, Field } from "@/components/ui/action-form";
import { TapePiece } from "@/components/verdict/marks";
import { longDay, shortDay } from "@/components/words/dates";
import { settleWords } from "@/components/words/settle-words";
import { todayFor, type TodayView } from "@/server/control/today";
import { memberOrSignIn } from "@/server/platform/session";

export const metadata = { title: "Today" };

export default async function TodayPage() {
  const member = await memberOrSignIn();
  const view = await todayFor(member);
  const due = view.checks.filter((c) => c.days <= 0);
  const soon = view.checks.filter((c) => c.days > 0);
  const open = view.windows.filter((w) => w.open);
  const nothing =
    view.reports.length + view.checks.length + view.windows.length + view.unplanned.length + view.holds.length === 0;
  return (
    <div className="px-4 md:px-6 py-5">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1>{longDay(view.today)}</h1>
        <p className="text-[var(--soft)] md:hidden">{view.district}</p>
      </div>
      <p className="mt-1 text-[18px]">{summary(due.length, open.length, view.holds.filter((h) => h.due).length)}</p>
      <p className="mt-3 no-print">
        <Link href="/bench" className="button press">
          Look at a plant
        </Link>
      </p>
      {nothing ? (
        <p className="mt-8 max-w-[60ch]">
          Nothing is due. What has been found, planned and done will stand here in the order of doing it. Begin by
          looking at a plant on the Bench.
        </p>
      ) : null}
      <div className="grid lg:grid-cols-2 gap-x-10 mt-4">
        <div>
          {view.reports.length > 0 ? (
            <Section title="Report first" aside="not known here yet">
              {view.reports.map((f) => (
                <Line
                  key={f.id}
                  href={`/findings/${f.id}`}
                  main={f.name}
                  sub={`${f.siteName} · found ${shortDay(f.day)} · report it before anything is done`}
                  tape="clear"
                />
              ))}
            </Section>
          ) : null}
          <Section title="Go back and look" aside={`${due.length} due`}>
            {due.length + soon.length === 0 ? (
              <Empty>Each treatment makes its own dates here.</Empty>
            ) : (
              [...due, ...soon.slice(0, 3)].map((c) => <CheckLine key={c.id} check={c} />)
            )}
          </Section>
          {view.looked.length > 0 ? (
            <Section title="Looked at lately" aside="and recorded">
              {view.looked.map((c) => (
                <Line
                  key={c.id}
                  href={`/ground/patch/${c.patchId}`}
                  main={`${c.patch}: ${c.plant}`}
                  sub={`${shortDay(c.doneOn)} · ${c.by} · ${c.note}`}
                />
              ))}
            </Section>
          ) : null}
          <Section title="Windows" aside={`${open.length} open now`}>
            {view.windows.length === 0 ? (
              <Empty>No work is planned. Plan it from a finding that is clear to act.</Empty>
            ) : (
              view.windows.map((w) => (
                <Line
                  key={w.id}
                  href={`/ledger/new?plan=${w.id}`}
                  main={`${w.method}: ${w.plant}`}
                  sub={`${w.patch}, ${w.site} · ${w.person} · ${w.open ? `open until ${shortDay(w.to)}, ${w.days} days left` : `opens ${shortDay(w.from)}`}${w.seedFrom && w.open ? ` · seed from ${shortDay(w.seedFrom)}` : ""}${w.overruled ? " · overruled in writing" : ""}`}
                  badge={w.open ? "open" : undefined}
                />
              ))
            )}
          </Section>
        </div>
        <div>
          <Section title="On hold" aside="and the day each can be settled">
            {view.holds.length === 0 ? (
              <Empty>No plant is on hold.</Empty>
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
          </Section>
          <Section title="Clear, not yet planned" aside={`${view.unplanned.length}`}>
            {view.unplanned.length === 0 ? (
              <Empty>Every clear finding has its plan.</Empty>
            ) : (
              view.unplanned
                .slice(0, 9)
                .map((f) => (
                  <Line
                    key={f.id}
                    href={`/findings/${f.id}`}
                    main={f.name}
                    sub={`${f.siteName} · ${shortDay(f.day)} · ${f.madeBy}`}
                    tape="clear"
                  />
                ))
            )}
          </Section>
        </div>
      </div>
      <p className="small mt-8 no-print">
        <Link href="/second-look">A second look at old findings</Link>: which would be judged otherwise today, with the
        flora, the list and the costs as they are now.
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

function Section({ title, aside, children }: { title: string; aside: string; children: ReactNode }) {
  return (
    <section className="mt-6">
      <h2 className="ruled">
        {title}
        <span className="small">{aside}</span>
      </h2>
      <ul>{children}</ul>
    </section>
  );
}
const Empty = ({ children }: { children: ReactNode }) => <li className="small py-3">{children}</li>;

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

function CheckLine({ check }: { check: TodayView["checks"][number] }) {
  const when =
    check.days < 0
      ? `${-check.days} days late`
      : check.days === 0
        ? "due today"
        : `in ${check.days} days, ${shortDay(check.dueOn)}`;
  return (
    <li className="row">
      <details>
        <summary className="py-2 min-h-[48px] cursor-pointer">
          <span className="font-semibold">
            {check.patch}: {check.plant}
          </span>{" "}
          <span className={check.days < 0 ? "font-bold text-[var(--danger)]" : "small"}>{when}</span>
          <span className="small block pl-[1.1em]">
            {check.site} · {check.what}
          </span>
        </summary>
        <ActionForm
          action={checkAction}
          draft={`check-${check.id}`}
          label={`Record the check of ${check.patch}`}
          className="grid sm:grid-cols-2 gap-x-4 gap-y-3 pb-4 pl-4"
        >
          <input type="hidden" name="id" value={check.id} />
          <Field name="doneOn" label="Looked on">
            <input type="date" name="doneOn" defaultValue={[check.dueOn, check.today].sort()[1]} required />
          </Field>
          <Field name="percentControl" label="Control, %" hint="negative if there is more than before">
            <input name="percentControl" inputMode="decimal" />
          </Field>
          <Field name="state" label="The patch now">
            <select name="state" defaultValue="" required>
              <option value="">choose</option>
              <option value="open">needs work again</option>
              <option value="treated">treated, wait</option>
              <option value="watched">none found, watch on</option>
              <option value="gone">gone</option>
            </select>
          </Field>
          <Field name="note" label="What was found">
            <input name="note" required />
          </Field>
          <p className="flex gap-3">
            <button type="submit" className="button press">
              Record
            </button>
            <Link className="button" href={`/ground/patch/${check.patchId}`}>
              The patch
            </Link>
          </p>
        </ActionForm>
      </details>
    </li>
  );
}
