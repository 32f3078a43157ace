import Link from "next/link";
import { Section } from "@/components/ui/page";
import { fullDay, shortDay } from "@/components/words/dates";
import { REPORT_WORDS } from "@/components/words/report-words";
import { inZone } from "@/core/time";
import type { TodayView } from "@/server/control/today";

/** What stands in the way, or is closed: reports that wait, plans that the gate no longer lets pass, waits in force, licenses that end. */
export const Alerts = ({ view }: { view: TodayView }) => (
  <>
    <PlansAgainst view={view} />
    <ToConfirm view={view} />
    <Reports view={view} />
    <Waits view={view} />
    <Against view={view} />
    <Licenses view={view} />
  </>
);

function PlansAgainst({ view }: { view: TodayView }) {
  const closed = view.windows.filter((w) => w.against.length > 0);
  if (closed.length === 0) return null;
  return (
    <Section title="Planned, but no longer clear to act" aside={`${closed.length}`}>
      <ul>
        {closed.map((w) => (
          <li key={w.id} className="row py-2">
            <Link href={`/ground/patch/${w.patchId}`} className="tap font-semibold">
              {w.method}: {w.plant}, {w.patch}
            </Link>
            <span className="small block">{w.against.join(" ")}</span>
          </li>
        ))}
      </ul>
    </Section>
  );
}

/** Clear findings of people who have not passed the practice set that the plant asks for. */
function ToConfirm({ view }: { view: TodayView }) {
  if (view.toConfirm.length === 0) return null;
  return (
    <Section title="Confirm before control is planned" aside={`${view.toConfirm.length}`}>
      <ul>
        {view.toConfirm.map((f) => (
          <li key={f.id} className="row py-2">
            <Link href={`/findings/${f.id}`} className="tap font-semibold">
              F-{f.number}: {f.plant}
            </Link>
            <span className="small block">
              {f.madeBy} has not passed the practice set “{f.set}”.
            </span>
          </li>
        ))}
      </ul>
    </Section>
  );
}

function Reports({ view }: { view: TodayView }) {
  if (view.reportsOpen.length === 0) return null;
  return (
    <Section title="Reports not acknowledged" aside="nothing may be done until then">
      <ul>
        {view.reportsOpen.map((r) => (
          <li key={r.id} className="row py-2">
            <Link href={`/reports/${r.id}`} className="tap font-semibold">
              {r.plant}, {r.site}
            </Link>
            <span className="small block">
              F-{r.number} · {REPORT_WORDS[r.state].toLowerCase()} · since {fullDay(r.since)}
            </span>
          </li>
        ))}
      </ul>
    </Section>
  );
}

function Waits({ view }: { view: TodayView }) {
  if (view.waits.length === 0) return null;
  return (
    <Section title="Waits in force" aside="from the labels">
      <ul>
        {view.waits.map((w) => (
          <li key={`${w.id} ${w.what}`} className="row py-2">
            <Link href={`/ledger/${w.id}`} className="tap font-semibold">
              {w.patch}
            </Link>
            <span className="small block">
              {w.what} until {inZone(w.until, w.zone)}
            </span>
          </li>
        ))}
      </ul>
    </Section>
  );
}

function Against({ view }: { view: TodayView }) {
  if (view.againstGate.length === 0) return null;
  return (
    <Section title="Done against the gate">
      <ul>
        {view.againstGate.map((e) => (
          <li key={e.id} className="row py-2">
            <Link href={`/ledger/${e.id}`} className="tap font-semibold">
              Entry {e.seq}: {e.method}, {e.patch}
            </Link>
            <span className="small block">{e.reasons.join(" ")}</span>
          </li>
        ))}
      </ul>
    </Section>
  );
}

function Licenses({ view }: { view: TodayView }) {
  if (view.licenses.length === 0) return null;
  return (
    <Section title="Licenses that end">
      <ul>
        {view.licenses.map((l) => (
          <li key={l.personId} className="row py-2">
            <span className="font-semibold">{l.name}</span>:{" "}
            {l.ended ? `ended on ${fullDay(l.ends)}` : `ends on ${shortDay(l.ends)}`}
          </li>
        ))}
      </ul>
    </Section>
  );
}
