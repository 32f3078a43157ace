import { Notice } from "@/components/ui/notice";
import { PageHead } from "@/components/ui/page";
import Link from "next/link";
import { notFound } from "next/navigation";
import { v7 as uuidv7 } from "uuid";
import { treatmentAction } from "@/app/actions/records";
import { TreatmentForm } from "@/components/records/treatment-form";
import { plantsOf } from "@/server/flora/amendments";
import { todayIn } from "@/server/platform/clock";
import { Refusal } from "@/server/platform/faults";
import { deviceKey, memberOrSignIn } from "@/server/platform/session";
import { waterWords } from "@/components/words/water-words";
import { recordingFor } from "@/server/records/recording";
import { ledgerDetail } from "@/server/records/ledger-pages";

export const metadata = { title: "Record a treatment" };

export default async function NewEntryPage({
  searchParams,
}: {
  searchParams: Promise<{ plan?: string; correct?: string }>;
}) {
  const member = await memberOrSignIn();
  const plants = await plantsOf(member);
  const { plan, correct } = await searchParams;
  const specialist = member.roles.includes("specialist");
  if (!specialist && !member.roles.includes("applicator"))
    return (
      <div className="p-6">
        <h1>Record a treatment</h1>
        <p className="mt-3 max-w-[60ch]">
          Applicators and specialists record treatments. You are {member.roles.join(", ")} here. Nothing was changed.
        </p>
      </div>
    );
  const old = correct ? await ledgerDetail(member, correct).catch(() => notFound()) : null;
  const planId = plan ?? old?.line.planId;
  if (!planId)
    return (
      <div className="p-6">
        <h1>Record a treatment</h1>
        <p className="mt-3">
          Treatments are recorded from the plan they carry out.{" "}
          <Link href="/season">Choose the plan in the Season.</Link>
        </p>
      </div>
    );
  const view = await recordingFor(member, planId).catch((error) => {
    if (error instanceof Refusal && error.status === 404) return notFound();
    throw error;
  });
  return (
    <div className="px-4 md:px-6 py-5 max-w-[900px]">
      <PageHead
        above={
          <>
            <Link href={`/ground/patch/${view.patch.id}`}>{view.patch.name}</Link>, {view.site.name}
          </>
        }
        title={old ? `Correct entry no. ${old.line.seq}` : `Record: ${view.method?.name ?? view.plan.method}`}
      />
      <p className="text-[var(--soft)]">
        {plants.common(view.plan.taxon)} · water: {waterWords(view.water)} · what you type is kept on this device until
        it is saved
      </p>
      {view.plan.overruling ? (
        <Notice grave className="mt-2">
          <strong>Overruled in writing:</strong> {view.plan.overruling}
        </Notice>
      ) : null}
      {view.method ? (
        <ul className="mt-3 border-l-4 border-[var(--madder)] pl-3">
          {view.method.cautions.map((c) => (
            <li key={c}>{c}</li>
          ))}
        </ul>
      ) : null}
      <TreatmentForm
        action={treatmentAction}
        draft={`treatment-${old?.line.id ?? planId}`}
        id={uuidv7()}
        view={{
          planId,
          deviceKey: deviceKey(member),
          zone: view.site.zone,
          areaM2: view.patch.areaM2,
          equipment: view.kit.join(", "),
          stage: view.stage,
          usesProduct: view.method?.kind === "product",
          who: view.person?.name ?? "",
          licence: view.person?.licence ?? "",
          licenceExpires: view.person?.licenceExpires ?? "",
          reasons: view.reasons.map((reason) => reason.what),
          specialist,
          usualWind: view.settings.winds[Number(todayIn(view.site.zone).slice(5, 7)) - 1] ?? null,
          labels: view.labels,
          today: todayIn(view.site.zone),
          patches: view.patches,
          old:
            old?.line.kind === "treatment" ? { id: old.line.id, patchId: old.line.patchId, body: old.line.body } : null,
        }}
      />
    </div>
  );
}
