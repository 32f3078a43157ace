import { PageHead } from "@/components/ui/page";
import { Button } from "@/components/ui/button";
import Link from "next/link";
import { newVerdictAction } from "@/app/actions/findings";
import { SecondLookStart } from "@/components/control/second-look-start";
import { ActionForm } from "@/components/ui/action-form";
import { TapePiece, VERDICT_WORDS } from "@/components/verdict/marks";
import { fullDay } from "@/components/words/dates";
import { inZone } from "@/core/time";
import { districtZone } from "@/server/ground/district";
import { newestJob } from "@/server/jobs/jobs";
import { standingOf } from "@/server/judge/second-look";
import { asMember, memberOrSignIn } from "@/server/platform/session";
import { secondLookSchema } from "@/contracts/work";

export const metadata = { title: "Second look" };

export default async function SecondLookPage() {
  const member = await memberOrSignIn();
  const mayTake = member.roles.some((r) => r === "specialist" || r === "keeper");
  const { newest, zone } = await asMember(member, async (tx) => ({
    newest: await newestJob(tx, "second-look"),
    zone: await districtZone(tx),
  }));
  const looks = newest?.state === "done" ? secondLookSchema.parse(newest.result) : null;
  const standing = await standingOf(member, looks?.changed.map((f) => f.id) ?? []);
  const changed = looks?.changed.filter((f) => standing.get(f.id)?.verdict === f.before.verdict) ?? [];
  return (
    <div className="px-4 md:px-6 py-5 max-w-[980px]">
      <PageHead above={<Link href="/today">Today</Link>} title="Check old findings again" />
      <p className="mt-1 max-w-[70ch]">
        Every finding gets a verdict again with the flora, the list and the costs of today. The findings with a
        different verdict are listed here. Each finding keeps its old verdict until someone accepts the new one. The old
        verdict stays in the finding’s history.
      </p>
      <SecondLookStart
        mayAsk={mayTake}
        again={looks !== null}
        running={newest && (newest.state === "waiting" || newest.state === "running") ? newest.id : null}
      />
      {looks && newest?.endedAt ? (
        <p className="mt-3 text-[18px]" role="status">
          {changed.length === 0
            ? `All ${looks.judged} findings would get the same verdict.`
            : `${changed.length} of ${looks.judged} findings would get a different verdict.`}{" "}
          <span className="small">
            As of {inZone(newest.endedAt, zone)}, asked for by {newest.askedBy}.
            {looks.inAll > looks.judged
              ? ` The newest ${looks.judged} of ${looks.inAll} findings were judged; the oldest were left out.`
              : ""}
          </span>
        </p>
      ) : null}
      <ul className="mt-3">
        {changed.map((f) => (
          <li key={f.id} className="row py-3">
            <p className="flex flex-wrap gap-x-3 gap-y-1 items-center">
              <Link href={`/findings/${f.id}`} className="tap font-semibold">
                F-{f.number}
              </Link>
              <span className="small">
                {f.siteName}, {fullDay(f.day)}
              </span>
            </p>
            <p className="mt-1 flex flex-wrap gap-2 items-center">
              <TapePiece verdict={f.before.verdict} />
              <span>{f.before.name}</span>
              <span aria-hidden>→</span>
              <span className="sr-only">now</span>
              <TapePiece verdict={f.after.verdict} />
              <strong>{f.after.name}</strong>
            </p>
            <p className="small mt-1">
              {f.why} Now: {f.because}
            </p>
            {standing.get(f.id)?.overruled ? (
              <p className="small">A specialist overruled this in writing. The overruling applies.</p>
            ) : mayTake ? (
              <ActionForm
                action={newVerdictAction}
                label={`New verdict for F-${f.number}`}
                className="mt-2 flex flex-wrap gap-3 items-center"
              >
                <input type="hidden" name="findingId" value={f.id} />
                <Button type="submit">Take the new verdict: {VERDICT_WORDS[f.after.verdict]}</Button>
                {(standing.get(f.id)?.plans ?? 0) > 0 && f.after.verdict !== "clear" ? (
                  <strong className="text-[var(--madder)]">Work is planned on it, and is dropped with this.</strong>
                ) : null}
              </ActionForm>
            ) : null}
          </li>
        ))}
      </ul>
    </div>
  );
}
