import { mappedWaterAction } from "@/app/actions/ground";
import { ActionForm, Field } from "@/components/ui/action-form";
import { Disclosure, PlainAction } from "@/components/ui/disclosure";
import { PageHead } from "@/components/ui/page";
import { Button, LinkButton } from "@/components/ui/button";
import Link from "next/link";
import { notFound } from "next/navigation";
import { MapFrame } from "@/components/map/map-frame";
import { areaText, fullDay, shortDay } from "@/components/words/dates";
import { findingDetail } from "@/server/findings/findings";
import { plantsOf } from "@/server/flora/amendments";
import { shippedFlora } from "@/server/flora/flora";
import { districtBounds, patchLines, siteLines } from "@/server/ground/ground";
import type { DrawRequest } from "@/components/map/draw-form";
import type { FindingLine } from "@/server/findings/findings";
import { memberOrSignIn } from "@/server/platform/session";

export const metadata = { title: "Ground" };

export default async function GroundPage({
  searchParams,
}: {
  searchParams: Promise<{ draw?: string; site?: string; feature?: string }>;
}) {
  const member = await memberOrSignIn();
  const plants = await plantsOf(member);
  const { draw, site: newSite, feature } = await searchParams;
  const mayDraw = member.roles.some((r) => r === "keeper" || r === "specialist");
  const [sites, patches, bounds] = await Promise.all([siteLines(member), patchLines(member), districtBounds(member)]);
  const finding = draw ? (await findingDetail(member, draw).catch(() => notFound())).line : null;
  const request = requestFor({ newSite, feature, mayDraw, finding });
  const grounds =
    shippedFlora()
      .characters.find((c) => c.id === "ground")
      ?.states.map(({ id, name }) => ({ id, name })) ?? [];
  const taxa = request
    ? plants.flora.taxa
        .map((t) => ({ name: t.name, plant: plants.common(t.name) }))
        .sort((a, b) => a.plant.localeCompare(b.plant))
    : [];
  return (
    <div>
      <div className="px-4 md:px-6 py-4">
        <PageHead
          title={request ? (TITLES[request.what] ?? `Mark the patch: ${request.plant}`) : "Ground"}
          actions={mayDraw && !request ? <DrawLinks /> : null}
        >
          <p className="small">{hintFor(request)}</p>
        </PageHead>
      </div>
      {sites.length === 0 ? (
        <p className="px-4 md:px-6 pb-4">
          No sites yet. A site is the ground you manage, with its rules. Findings and patches belong to a site.{" "}
          {mayDraw ? "Draw the first one." : "The keeper draws the first one."}
        </p>
      ) : null}
      <MapFrame notes={notesOf(patches)} bounds={bounds} request={request} taxa={taxa} grounds={grounds} />
      <div className="px-4 md:px-6 py-5 grid lg:grid-cols-2 gap-x-10 gap-y-6">
        <section>
          <h2 className="ruled">
            Sites<span className="small">{sites.length}</span>
          </h2>
          <ul>
            {sites.map((s) => (
              <li key={s.id} className="row py-2">
                <span className="font-semibold">{s.name}</span>{" "}
                <span className="small">
                  {s.patches} patches, {s.findings} findings{s.rules.noProduct ? " · no products" : ""}
                  {s.rules.noMachines ? " · no machines" : ""}
                  {s.rules.grazed ? " · grazed" : ""}
                  {s.rules.hayed ? " · hayed" : ""}
                  {s.rules.foraged ? " · people gather here" : ""}
                </span>
                <br />
                <span className="small">
                  {s.note} Water:{" "}
                  {s.water
                    ? `all of it is on the map to ${s.water.withinM} m (${s.water.by}, ${fullDay(s.water.day)}).`
                    : "nobody has said how far it is on the map."}
                </span>{" "}
                {mayDraw ? <MappedWater site={s} /> : null}
                <Link className="small" href={`/bench?site=${s.id}`}>
                  Identify a plant here
                </Link>
              </li>
            ))}
          </ul>
        </section>
        <section>
          <h2 className="ruled">
            Patches<span className="small">{patches.length}</span>
          </h2>
          <ul>
            {patches.map((p) => (
              <li key={p.id} className="row">
                <Link
                  href={`/ground/patch/${p.id}`}
                  className="no-underline flex justify-between gap-3 py-2 min-h-[44px] hover:underline"
                >
                  <span>
                    <span className="font-semibold">{p.name}</span>: {p.plant}
                    <br />
                    <span className="small">
                      {p.siteName}
                      {p.lastBeforeSeed ? ` · last good day before seed ${shortDay(p.lastBeforeSeed)}` : ""}
                    </span>
                  </span>
                  <span className="small text-right">
                    <span className="figure">{areaText(p.areaM2)}</span>
                    <br />
                    {p.kept ? <strong className="text-[var(--teal)]">kept here</strong> : STATES[p.state]}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
        </section>
      </div>
    </div>
  );
}

/** What the map says of each patch under the pointer. */
const notesOf = (patches: Awaited<ReturnType<typeof patchLines>>): Record<string, string> =>
  Object.fromEntries(
    patches.map((p) => [
      p.id,
      `${p.name}: ${p.plant}${p.lastBeforeSeed ? `. Last good day before seed: ${fullDay(p.lastBeforeSeed)}` : ""}`,
    ]),
  );

/** What is to be drawn here: what the address asks for, as far as the person may. */
function requestFor({
  newSite,
  feature,
  mayDraw,
  finding,
}: {
  newSite: string | undefined;
  feature: string | undefined;
  mayDraw: boolean;
  finding: FindingLine | null;
}): DrawRequest | null {
  if (finding)
    return {
      what: "patch",
      siteId: finding.siteId,
      taxon: finding.taxon ?? "",
      plant: finding.name,
      findingId: finding.id,
      place: finding.place,
    };
  if (!mayDraw || !(newSite || feature)) return null;
  const what = newSite ? "site" : feature === "area" ? "area" : "line";
  return { what, siteId: "", taxon: "", plant: "", findingId: null, place: null };
}

/** The page says what it is for. */
function hintFor(request: DrawRequest | null): string {
  if (!request) return "Sites are dashed, patches are filled, findings are pieces of their tape.";
  return request.what === "line" || request.what === "area"
    ? "Distances to water follow what is on the map."
    : "The outline gives the area that plans and records need.";
}

const TITLES: Record<string, string | undefined> = {
  site: "Draw a site",
  line: "Draw a stream or a track",
  area: "Draw a lake, a wood or a field",
};
const DrawLinks = () => (
  <>
    <LinkButton href="/ground?feature=line">Stream or track</LinkButton>
    <LinkButton href="/ground?feature=area">Lake, wood or field</LinkButton>
    <LinkButton href="/ground?site=new">Draw a site</LinkButton>
  </>
);

/** How far around a site all water is on the map: beyond that its distance is unknown. */
const MappedWater = ({ site }: { site: { id: string; name: string } }) => (
  <Disclosure className="no-print" summary={<PlainAction>Say how far water is mapped</PlainAction>} look="small">
    <ActionForm
      action={mappedWaterAction}
      label={`Water mapped around ${site.name}`}
      className="flex flex-wrap gap-4 items-end"
    >
      <input type="hidden" name="siteId" value={site.id} />
      <Field name="withinM" label="All water is on the map within, m">
        <input name="withinM" inputMode="decimal" className="figure" />
      </Field>
      <Button type="submit">Say it in my name</Button>
    </ActionForm>
  </Disclosure>
);

const STATES: Record<string, string> = {
  open: "needs work",
  treated: "treated",
  watched: "being watched",
  gone: "gone",
};
