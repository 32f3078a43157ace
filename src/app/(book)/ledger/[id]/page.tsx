import { PageHead } from "@/components/ui/page";
import { Row } from "@/components/ui/page";
import { Notice } from "@/components/ui/notice";
import { LinkButton } from "@/components/ui/button";
import Link from "next/link";
import { notFound } from "next/navigation";
import { PrintButton } from "@/components/shell/print-button";
import { areaText, fullDay } from "@/components/words/dates";
import { inZone } from "@/core/time";
import { plantsOf } from "@/server/flora/amendments";
import { Refusal } from "@/server/platform/faults";
import { memberOrSignIn } from "@/server/platform/session";
import { ledgerDetail } from "@/server/records/ledger-pages";

export const metadata = { title: "Ledger entry" };

export default async function EntryPage({ params }: { params: Promise<{ id: string }> }) {
  const member = await memberOrSignIn();
  const plants = await plantsOf(member);
  const view = await ledgerDetail(member, (await params).id).catch((error) => {
    if (error instanceof Refusal && error.status === 404) return notFound();
    throw error;
  });
  const { line } = view;
  const t = line.body;
  const when = (iso: string) => inZone(iso, t.zone);
  return (
    <article className="px-4 md:px-6 py-5 max-w-[860px]">
      <PageHead above={<Link href="/ledger">Ledger</Link>} title={`Record of treatment no. ${line.seq}`}>
        <p className="small">{view.districtName}</p>
      </PageHead>
      {line.supersededBy ? (
        <p className="border-2 border-[var(--ink)] p-2 mt-2">
          <strong>Corrected by entry {line.supersededBy}.</strong> This entry stays as it was written.
        </p>
      ) : null}
      {t.correctionReason ? (
        <p className="border-2 border-[var(--ink)] p-2 mt-2">
          <strong>A correction.</strong> {t.correctionReason}
        </p>
      ) : null}
      {t.overruling ? (
        <Notice grave className="mt-2">
          <strong>Overruled in writing:</strong> {t.overruling}
        </Notice>
      ) : null}
      <dl className="grid sm:grid-cols-2 gap-x-8 mt-3">
        <Row name="Done by">{t.who}</Row>
        <Row name="Licence">
          {t.licence ? `${t.licence}${t.licenceExpires ? `, to ${fullDay(t.licenceExpires)}` : ""}` : "none given"}
        </Row>
        <Row name="From">{when(t.from)}</Row>
        <Row name="To">
          {when(t.to)} ({t.zone})
        </Row>
        <Row name="Site">{t.siteName}</Row>
        <Row name="Patch">{t.patchName}</Row>
        <Row name="Area treated">{areaText(t.areaM2)}</Row>
        <Row name="Nearest water">
          {t.waterDistanceM === null ? "none mapped" : `${Math.round(t.waterDistanceM)} m`}
        </Row>
        <Row name="Target">
          {plants.common(t.taxon)}, {t.taxon}
        </Row>
        <Row name="Stage">{t.stage}</Row>
        <Row name="Method">{t.methodName}</Row>
        <Row name="Equipment">{t.equipment}</Row>
        {t.product ? (
          <>
            <Row name="Product, as entered from its label">{t.product.labelName}</Row>
            <Row name="Registration">{t.product.limits.registration ?? "not entered"}</Row>
            <Row name="Rate">
              {t.product.ratePerHa} {t.product.limits.rateUnit}/ha
            </Row>
            <Row name="Product in all">
              {t.product.total} {t.product.limits.rateUnit}
            </Row>
            <Row name="Carrier">{t.product.carrierL} L water</Row>
            <Row name="Site-of-action group">{t.product.limits.siteOfAction ?? "not entered"}</Row>
          </>
        ) : (
          <Row name="Product">none used</Row>
        )}
        <Row name="Wind">
          {t.windMS === undefined ? "not recorded" : `${t.windMS} m/s${t.windFrom ? ` from ${t.windFrom}` : ""}`}
        </Row>
        <Row name="Temperature">{t.temperatureC === undefined ? "not recorded" : `${t.temperatureC} °C`}</Row>
      </dl>
      <section className="mt-4">
        <h2 className="ruled">Restrictions that follow</h2>
        {t.restrictions.length === 0 ? (
          <p className="small py-2">None follow from the label.</p>
        ) : (
          <ul>
            {t.restrictions.map((r) => (
              <li key={r.what} className="row py-1.5">
                {r.what} until {when(r.until)}
              </li>
            ))}
          </ul>
        )}
      </section>
      {t.warnings.length > 0 ? (
        <section className="mt-4">
          <h2 className="ruled">Against the label</h2>
          <ul>
            {t.warnings.map((w) => (
              <li key={w} className="row py-1.5">
                {w}
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      {t.note ? (
        <section className="mt-4">
          <h2 className="ruled">Note</h2>
          <p className="py-2">{t.note}</p>
        </section>
      ) : null}
      <p className="small mt-5">
        Entered by {line.enteredBy}, {when(line.enteredAt)}. Hash of this entry{" "}
        <span className="figure break-all">{line.hash}</span>; of the one before{" "}
        <span className="figure break-all">{line.previousHash.slice(0, 16)}…</span>. When printed the ledger held{" "}
        {view.count} entries, head <span className="figure">{view.head.slice(0, 16)}</span>.
      </p>
      <p className="mt-4 flex gap-3 no-print">
        <PrintButton />
        {member.roles.includes("applicator") && !line.supersededBy ? (
          <LinkButton href={`/ledger/new?correct=${line.id}`}>Correct it</LinkButton>
        ) : null}
        <LinkButton href={`/ground/patch/${line.patchId}`}>The patch</LinkButton>
      </p>
    </article>
  );
}
