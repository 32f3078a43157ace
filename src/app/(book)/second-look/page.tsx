import Link from "next/link";
import { newVerdictAction } from "@/app/actions";
import { fullDay } from "@/components/dates";
import { TapePiece, VERDICT_WORDS } from "@/components/marks";
import { ActionForm } from "@/components/ui/action-form";
import { secondLook } from "@/server/second-look";
import { memberOrSignIn } from "@/server/session";

export const metadata = { title: "Second look" };

export default async function SecondLookPage() {
  const member = await memberOrSignIn();
  const { changed, reckoned } = await secondLook(member);
  const mayTake = member.roles.some((r) => r === "specialist" || r === "keeper");
  return (
    <div className="px-4 md:px-6 py-5 max-w-[980px]">
      <p className="small">
        <Link href="/today">Today</Link>
      </p>
      <h1 className="mt-1">A second look at old findings</h1>
      <p className="mt-1 max-w-[70ch]">
        Every finding was reckoned again with the flora, the list and the costs of today. Here are those that would be
        judged otherwise. Each stands as it was given until somebody takes the new verdict; the old one stays in its
        history.
      </p>
      <p className="mt-3 text-[18px]" role="status">
        {changed.length === 0
          ? `All ${reckoned} findings would be judged as they were.`
          : `${changed.length} of ${reckoned} findings would be judged otherwise.`}
      </p>
      <ul className="mt-3">
        {changed.map((f) => (
          <li key={f.id} className="row py-3">
            <p className="flex flex-wrap gap-x-3 gap-y-1 items-center">
              <Link href={`/findings/${f.id}`} className="font-semibold">
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
            {f.overruled ? (
              <p className="small">Overruled in writing by a specialist: that stands.</p>
            ) : mayTake ? (
              <ActionForm
                action={newVerdictAction}
                label={`New verdict for F-${f.number}`}
                className="mt-2 flex flex-wrap gap-3 items-center"
              >
                <input type="hidden" name="findingId" value={f.id} />
                <button type="submit" className="button">
                  Take the new verdict: {VERDICT_WORDS[f.after.verdict]}
                </button>
                {f.plans > 0 && f.after.verdict !== "clear" ? (
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
