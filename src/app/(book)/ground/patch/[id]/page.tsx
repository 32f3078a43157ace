import Link from "next/link";
import { notFound } from "next/navigation";
import { LinkButton } from "@/components/ui/button";
import { Notice } from "@/components/ui/notice";
import { PageHead } from "@/components/ui/page";
import { StatusMark, statusTitle } from "@/components/verdict/marks";
import { fullDay } from "@/components/words/dates";
import { isTarget } from "@/core/flora";
import { patchDetail } from "@/server/ground/ground";
import { Refusal } from "@/server/platform/faults";
import { memberOrSignIn } from "@/server/platform/session";
import { History } from "./history";
import { NextOnPatch } from "./next-on-patch";
import { PatchFacts, WithdrawForm } from "./patch-facts";
import { VisitRule } from "./visit-rule";

export const metadata = { title: "Patch" };

export default async function PatchPage({ params }: { params: Promise<{ id: string }> }) {
  const member = await memberOrSignIn();
  const view = await patchDetail(member, (await params).id).catch((error) => {
    if (error instanceof Refusal && error.status === 404) return notFound();
    throw error;
  });
  const { patch, site, status } = view;
  const actedOn = isTarget(status);
  const clear = view.findings.find((f) => f.verdict === "clear" || f.overruled);
  const specialist = member.roles.includes("specialist");
  return (
    <div className="px-4 md:px-6 py-5 grid lg:grid-cols-[minmax(0,1fr)_340px] gap-x-10 gap-y-6">
      <div>
        <PageHead
          above={
            <>
              <Link href="/ground">Ground</Link> · {site.name}
            </>
          }
          title={patch.name}
        />
        <p className="text-[18px] flex flex-wrap gap-x-3 items-center">
          <StatusMark status={status} />
          <span>
            {patch.plant} <span className="latin">{patch.taxon}</span>
          </span>
          <strong className={actedOn ? "" : "text-[var(--teal)]"}>{statusTitle(status)} here</strong>
        </p>
        {patch.withdrawnAt ? (
          <Notice grave className="mt-3">
            <strong>Withdrawn</strong> by {patch.withdrawnBy}, {fullDay(patch.withdrawnAt.toISOString())}. “
            {patch.withdrawnWhy}”
          </Notice>
        ) : null}
        {actedOn ? null : (
          <p className="mt-3 border-2 border-[var(--teal)] p-3 max-w-[60ch]">
            <strong>This plant stays.</strong> The patch is marked so that work nearby spares it. No treatment can be
            planned here.
          </p>
        )}
        <p className="mt-3 flex flex-wrap gap-2 no-print">
          <LinkButton look="press" href={`/bench?site=${site.id}&patch=${patch.id}`}>
            Identify a plant here
          </LinkButton>
          {clear && actedOn && !patch.withdrawnAt ? (
            <LinkButton href={`/season/${clear.id}`}>What can be done</LinkButton>
          ) : null}
        </p>
        <NextOnPatch view={view} roles={member.roles} clear={clear !== undefined} actedOn={actedOn} />
        <VisitRule view={view} specialist={specialist} />
        <History view={view} planFrom={clear && actedOn && specialist && !patch.withdrawnAt ? clear.id : null} />
      </div>
      <aside>
        <PatchFacts view={view} mayLook={member.roles.some((role) => role !== "visitor")} />
        {specialist && !patch.withdrawnAt ? <WithdrawForm patchId={patch.id} name={patch.name} /> : null}
      </aside>
    </div>
  );
}
