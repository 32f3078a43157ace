import { PageHead, Row } from "@/components/ui/page";
import { LinkButton } from "@/components/ui/button";
import Link from "next/link";
import { notFound } from "next/navigation";
import { OutlineDrawing } from "@/components/flora/outline-drawing";
import { TapePiece } from "@/components/verdict/marks";
import { areaText, fullDay, shortDay } from "@/components/words/dates";
import { shippedMethods } from "@/server/flora/flora";
import { patchDetail } from "@/server/ground/ground";
import { Refusal } from "@/server/platform/faults";
import { memberOrSignIn } from "@/server/platform/session";

export const metadata = { title: "Patch" };

export default async function PatchPage({ params }: { params: Promise<{ id: string }> }) {
  const member = await memberOrSignIn();
  const view = await patchDetail(member, (await params).id).catch((error) => {
    if (error instanceof Refusal && error.status === 404) return notFound();
    throw error;
  });
  const { patch, site } = view;
  const methodName = (id: string) => shippedMethods().find((m) => m.id === id)?.name ?? id;
  const history = [
    ...view.findings.map((f) => ({
      day: f.day,
      what: (
        <>
          <Link href={`/findings/${f.id}`}>Finding F-{f.number}</Link> by {f.madeBy} <TapePiece verdict={f.verdict} />
        </>
      ),
    })),
    ...view.entries.map((e) => ({
      day: e.body.from.slice(0, 10),
      what: (
        <>
          <Link href={`/ledger/${e.id}`}>Ledger {e.seq}</Link>: {e.body.methodName}, {e.body.who}
          {e.supersedes ? " (correction)" : ""}
        </>
      ),
    })),
    ...view.followUps
      .filter((f) => f.doneOn)
      .map((f) => ({
        day: f.doneOn as string,
        what: (
          <>
            Checked again, {f.doneBy}: {f.result?.note}
            {f.result?.percentControl !== undefined ? ` Control ${f.result.percentControl}%.` : ""}
          </>
        ),
      })),
  ].sort((a, b) => b.day.localeCompare(a.day));
  const due = view.followUps.filter((f) => !f.doneOn);
  const clear = view.findings.find((f) => f.verdict === "clear" || f.overruled);
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
        <p className="text-[18px]">
          {patch.plant} <span className="latin">{patch.taxon}</span>
        </p>
        <p className="mt-3 flex flex-wrap gap-2 no-print">
          <LinkButton look="press" href={`/bench?site=${site.id}&patch=${patch.id}`}>
            Identify a plant here
          </LinkButton>
          {clear ? <LinkButton href={`/season/${clear.id}`}>What can be done</LinkButton> : null}
        </p>
        <section className="mt-6">
          <h2 className="ruled">Next</h2>
          <ul>
            {view.plans
              .filter((p) => p.state === "planned")
              .map((p) => (
                <li key={p.id} className="row py-2">
                  <span className="font-semibold">{methodName(p.method)}</span>, meant for {shortDay(p.intendedOn)}{" "}
                  <span className="small">
                    window {shortDay(p.windowFrom)} to {shortDay(p.windowTo)}
                    {p.overruling ? ` · overruled: ${p.overruling}` : ""}
                  </span>{" "}
                  <Link href={`/ledger/new?plan=${p.id}`}>Record it</Link>
                </li>
              ))}
            {due.map((f) => (
              <li key={f.id} className="row py-2">
                {f.dueOn <= view.today ? (
                  <strong className="text-[var(--danger)]">Due {fullDay(f.dueOn)}</strong>
                ) : (
                  `On ${fullDay(f.dueOn)}`
                )}
                : {f.what}{" "}
                <Link className="small" href="/today">
                  Record on Today
                </Link>
              </li>
            ))}
            {due.length + view.plans.filter((p) => p.state === "planned").length === 0 ? (
              <li className="small py-2">
                Nothing planned and nothing due.{" "}
                {clear ? "Plan the next step from the finding that is clear." : "Identify a plant here first."}
              </li>
            ) : null}
          </ul>
        </section>
        <section className="mt-6">
          <h2 className="ruled">
            History<span className="small">newest first</span>
          </h2>
          <ol>
            {history.map((h, i) => (
              <li key={`${h.day}-${String(i)}`} className="row py-2 grid grid-cols-[140px_1fr] gap-2">
                <span className="small">{fullDay(h.day)}</span>
                <span>{h.what}</span>
              </li>
            ))}
            {history.length === 0 ? <li className="small py-2">Nothing has happened here yet.</li> : null}
          </ol>
        </section>
      </div>
      <aside>
        <OutlineDrawing ring={patch.outline.coordinates[0] as [number, number][]} />
        <dl className="mt-3">
          <Row name="Area">
            {areaText(patch.areaM2)}
            {patch.plants ? `, ${patch.plants} ${patch.plants === 1 ? "plant" : "plants"}` : ""}
            {patch.areaFrom === "drawn" ? "" : patch.areaFrom === "typed" ? ", as typed" : ", by the number of plants"}
          </Row>
          <Row name="Cover within">
            {patch.coverShare === null ? "not recorded" : `${Math.round(patch.coverShare * 100)}%`}
          </Row>
          {patch.coverShare !== null ? (
            <Row name="Infested area">{areaText(patch.areaM2 * patch.coverShare)}</Row>
          ) : null}
          <Row name="Nearest water">
            {view.waterDistanceM === null ? "none mapped" : `${Math.round(view.waterDistanceM)} m`}
          </Row>
          <Row name="Marked">
            {fullDay(patch.createdAt.toISOString())}, {patch.madeBy}
          </Row>
        </dl>
      </aside>
    </div>
  );
}
