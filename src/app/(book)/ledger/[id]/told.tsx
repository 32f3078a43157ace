import { Notice } from "@/components/ui/notice";
import { Row } from "@/components/ui/page";
import { areaText, fullDay } from "@/components/words/dates";
import { STAGE_WORDS } from "@/components/words/stages";
import { waterWords } from "@/components/words/water-words";
import type { StoredTreatment, StoredVoid } from "@/contracts/treatment";
import { inZone } from "@/core/time";
import type { Plants } from "@/server/flora/plants";

/** What a void says. */
export const VoidSaid = ({ told }: { told: StoredVoid }) => (
  <>
    <p className="border-2 border-[var(--ink)] p-2 mt-2">
      <strong>Entry {told.voids} was never so.</strong> {told.reason}
    </p>
    <dl className="grid sm:grid-cols-2 gap-x-8 mt-3">
      <Row name="Entry said">
        {told.methodName}, {told.taxon}
      </Row>
      <Row name="By">{told.who}</Row>
      <Row name="Site">{told.siteName}</Row>
      <Row name="Patch">{told.patchName}</Row>
    </dl>
  </>
);

/** What a record says, with what was out of the ordinary first. */
export const TreatmentSaid = ({ told: t, plants }: { told: StoredTreatment; plants: Plants }) => (
  <>
    {t.againstGate ? (
      <Notice grave className="mt-2">
        <strong>Done against the gate.</strong> {t.againstGate.reasons.join(" ")}
        <br />
        {t.againstGate.by}: “{t.againstGate.word}”
      </Notice>
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
    <Facts t={t} plants={plants} />
    <Consequences t={t} />
  </>
);

function Facts({ t, plants }: { t: StoredTreatment; plants: Plants }) {
  const when = (iso: string) => inZone(iso, t.zone);
  return (
    <dl className="grid sm:grid-cols-2 gap-x-8 mt-3">
      <Row name="Done by">{t.who}</Row>
      <Row name="License">
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
        {t.water
          ? waterWords(t.water)
          : t.waterDistanceM === null
            ? "none mapped"
            : `${Math.round(t.waterDistanceM)} m`}
      </Row>
      <Row name="Target">
        {plants.common(t.taxon)}, {t.taxon}
      </Row>
      <Row name="Stage">{STAGE_WORDS[t.stage].toLowerCase()}</Row>
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
  );
}

function Consequences({ t }: { t: StoredTreatment }) {
  const when = (iso: string) => inZone(iso, t.zone);
  return (
    <>
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
    </>
  );
}
