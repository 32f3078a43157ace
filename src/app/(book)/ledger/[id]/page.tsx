import Link from "next/link";
import { notFound } from "next/navigation";
import { v7 as newId } from "uuid";
import { voidAction } from "@/app/actions/records";
import { PrintButton } from "@/components/shell/print-button";
import { ActionForm, Field } from "@/components/ui/action-form";
import { Button, LinkButton } from "@/components/ui/button";
import { Disclosure, PlainAction } from "@/components/ui/disclosure";
import { PageHead } from "@/components/ui/page";
import { inZone } from "@/core/time";
import { plantsOf } from "@/server/flora/amendments";
import { Refusal } from "@/server/platform/faults";
import { memberOrSignIn } from "@/server/platform/session";
import { ledgerDetail, type LedgerLine } from "@/server/records/ledger-pages";
import { TreatmentSaid, VoidSaid } from "./told";

export const metadata = { title: "Ledger entry" };

export default async function EntryPage({ params }: { params: Promise<{ id: string }> }) {
  const member = await memberOrSignIn();
  const plants = await plantsOf(member);
  const view = await ledgerDetail(member, (await params).id).catch((error) => {
    if (error instanceof Refusal && error.status === 404) return notFound();
    throw error;
  });
  const { line } = view;
  const stands = line.kind === "treatment" && !line.supersededBy;
  const may = (role: (typeof member.roles)[number]) => member.roles.includes(role);
  return (
    <article className="px-4 md:px-6 py-5 max-w-[860px]">
      <PageHead
        above={<Link href="/ledger">Ledger</Link>}
        title={line.kind === "void" ? `Void no. ${line.seq}` : `Record of treatment no. ${line.seq}`}
      >
        <p className="small">{view.districtName}</p>
      </PageHead>
      {line.supersededBy ? (
        <p className="border-2 border-[var(--ink)] p-2 mt-2">
          <strong>
            {line.voided ? "Voided" : "Corrected"} by entry {line.supersededBy}.
          </strong>{" "}
          This entry stays as it was written.
        </p>
      ) : null}
      {line.kind === "void" ? <VoidSaid told={line.body} /> : <TreatmentSaid told={line.body} plants={plants} />}
      <p className="small mt-5">
        Entered by {line.enteredBy}, {inZone(line.enteredAt, line.body.zone)}. Hash of this entry{" "}
        <span className="figure break-all">{line.hash}</span>; of the one before{" "}
        <span className="figure break-all">{line.previousHash.slice(0, 16)}…</span>. When printed the ledger had{" "}
        {view.count} entries, head <span className="figure">{view.head.slice(0, 16)}</span>.
      </p>
      <p className="mt-4 flex gap-3 no-print">
        <PrintButton />
        {stands && (may("applicator") || may("specialist")) ? (
          <LinkButton href={`/ledger/new?correct=${line.id}`}>Correct it</LinkButton>
        ) : null}
        <LinkButton href={`/ground/patch/${line.patchId}`}>The patch</LinkButton>
      </p>
      {stands && may("specialist") ? <VoidForm line={line} /> : null}
    </article>
  );
}

/** What never was is taken back in writing; the entry stays. */
const VoidForm = ({ line }: { line: LedgerLine }) => (
  <Disclosure className="mt-3 no-print" summary={<PlainAction>Void this entry …</PlainAction>}>
    <p className="small">
      A void says that this work was never done. Its checks are taken off, and its plan waits again. To change a figure,
      correct the entry instead.
    </p>
    <ActionForm action={voidAction} draft={`void-${line.id}`} label="Void" className="grid gap-3 mt-2">
      <input type="hidden" name="id" value={newId()} />
      <input type="hidden" name="entryId" value={line.id} />
      <Field name="reason" label="Why">
        <textarea name="reason" />
      </Field>
      <p>
        <Button type="submit">Void entry no. {line.seq}</Button>
      </p>
    </ActionForm>
  </Disclosure>
);
