import Link from "next/link";
import type { ReactNode } from "react";
import { Section } from "@/components/ui/page";
import { TapePiece } from "@/components/verdict/marks";
import { fullDay, siteDay } from "@/components/words/dates";
import { STAGE_WORDS } from "@/components/words/stages";
import type { patchDetail } from "@/server/ground/ground";

type View = Awaited<ReturnType<typeof patchDetail>>;
interface Event {
  day: string;
  id: string;
  what: ReactNode;
}

/** All that happened on a patch, newest first. @param planFrom the finding from which work may be planned again, where it may */
export function History({ view, planFrom }: { view: View; planFrom: string | null }) {
  const events = eventsOf(view, planFrom).sort((a, b) => b.day.localeCompare(a.day));
  return (
    <Section title="History" aside="newest first">
      <ol>
        {events.map((event) => (
          <li key={event.id} className="row py-2 grid grid-cols-[140px_1fr] gap-2">
            <span className="small">{fullDay(event.day)}</span>
            <span>{event.what}</span>
          </li>
        ))}
        {events.length === 0 ? <li className="small py-2">Nothing has happened here yet.</li> : null}
      </ol>
    </Section>
  );
}

const eventsOf = (view: View, planFrom: string | null): Event[] => [
  ...view.findings.map((f) => ({
    day: f.day,
    id: f.id,
    what: (
      <>
        <Link href={`/findings/${f.id}`}>Finding F-{f.number}</Link> by {f.madeBy} <TapePiece verdict={f.verdict} />
      </>
    ),
  })),
  ...view.entries.map((e) => ({
    day: siteDay(e.body),
    id: e.id,
    what: (
      <>
        <Link href={`/ledger/${e.id}`}>Ledger {e.seq}</Link>:{" "}
        {e.kind === "void" ? `void of entry ${e.body.voids}, ` : ""}
        {e.body.methodName}, {e.body.who}
        {e.kind === "treatment" && e.supersedes ? " (correction)" : ""}
        {e.voided ? " (voided)" : ""}
      </>
    ),
  })),
  ...view.followUps.flatMap((f) =>
    f.doneOn
      ? [
          {
            day: f.doneOn,
            id: f.id,
            what: (
              <>
                Checked again, {f.doneBy}: {seenWords(f.result)} {f.result?.note}
                {planFrom && (f.result?.seen === "some" || f.result?.seen === "many") ? (
                  <>
                    {" "}
                    <Link href={`/season/${planFrom}?after=${f.id}`} className="tap">
                      Treat it again
                    </Link>
                  </>
                ) : null}
                <span className="flex flex-wrap gap-2">
                  {(view.checkPictures.get(f.id) ?? []).map((id) => (
                    // biome-ignore lint/performance/noImgElement: it is served re-encoded, to its own district alone
                    <img key={id} src={`/api/v1/check-pictures/${id}`} alt="Seen on this check" className="h-28" />
                  ))}
                </span>
              </>
            ),
          },
        ]
      : [],
  ),
];

/** What a check saw; older checks guessed a share of control instead. */
function seenWords(result: View["followUps"][number]["result"]): string {
  if (result?.seen === "none") return "none seen.";
  if (result?.seen)
    return `${result.seen} seen, ${(result.stages ?? []).map((s) => STAGE_WORDS[s].toLowerCase()).join(", ")}.`;
  return result?.percentControl === undefined ? "" : `control ${result.percentControl}%.`;
}
