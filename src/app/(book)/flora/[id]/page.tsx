import Link from "next/link";
import { notFound } from "next/navigation";
import { ControlFacts } from "@/components/flora/control-facts";
import { PackLinks } from "@/components/flora/pack-links";
import { Plate } from "@/components/flora/plate";
import { plateOf } from "@/drawings/plate/plate";
import { typicalFigure } from "@/drawings/figure/figure";
import { plantPage } from "@/server/flora/plant-page";
import { memberOrSignIn } from "@/server/platform/session";
import { ChangedHere, FoundTwins, ListForm, MistakenFor, StandsHere } from "./around";
import { Calendar } from "./calendar";
import { PlantHead, StageLinks } from "./plant-head";
import { Scores } from "./scores";

export const metadata = { title: "Plant" };

export default async function PlantPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ stage?: string; amended?: string }>;
}) {
  const member = await memberOrSignIn();
  const { id } = await params;
  const { stage: asked, amended: justAmended } = await searchParams;
  const view = await plantPage(member, id, asked);
  if (!view) notFound();
  const mayAmend = member.roles.includes("specialist");
  const mayList = member.roles.some((r) => r === "specialist" || r === "keeper");
  return (
    <div className="px-4 md:px-6 py-5">
      <PlantHead view={view} />
      {justAmended ? (
        <p role="status" className="mt-3 font-semibold">
          The amendment applies from now on in this district.
        </p>
      ) : null}
      <div className="grid lg:grid-cols-[minmax(0,1fr)_360px] gap-x-10">
        <div>
          <StageLinks view={view} />
          <Plate
            figure={typicalFigure(view.model, view.index, view.stage)}
            panels={plateOf(view.model, view.index, view.stage)}
            name={view.taxon.common[0] ?? view.taxon.name}
          />
          <p className="small mt-2">
            This plate is drawn from the scores of this plant at this stage. The plate shows the usual state of each
            character. <a href={`/api/v1/plates/${id}?stage=${view.stage}&format=png`}>As a picture</a> ·{" "}
            <a href={`/api/v1/plates/${id}?stage=${view.stage}&format=pdf`}>As a page for print (PDF)</a>
          </p>
          <Scores view={view} mayAmend={mayAmend} />
        </div>
        <aside>
          <Calendar view={view} />
          <FoundTwins view={view} />
          <MistakenFor view={view} />
          {mayList ? <ListForm view={view} /> : null}
          <StandsHere view={view} />
          <ChangedHere view={view} />
          <p className="no-print">
            {mayAmend ? (
              <>
                <Link href={`/flora/${id}/amend`}>Correct a score</Link> ·{" "}
              </>
            ) : null}
            <Link href="/flora/packs">Packs and amendments</Link>
          </p>
          <p className="no-print small">
            Its rows for a spreadsheet, to correct them or to write a plant like it: <PackLinks scope={`plant:${id}`} />
          </p>
          <ControlFacts taxon={view.taxon} here={view.here} />
        </aside>
      </div>
    </div>
  );
}
