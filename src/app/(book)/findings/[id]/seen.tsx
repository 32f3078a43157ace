import { MeasuredPicture } from "@/components/measure/measured-picture";
import { type Observation, observationInWords } from "@/core/identify";
import type { findingDetail } from "@/server/findings/findings";
import { shippedFlora } from "@/server/flora/flora";
import type { Plants } from "@/server/flora/plants";

/** What was seen, noted and photographed. */
export function Seen({
  view,
  plants,
  mayMark,
}: {
  view: Awaited<ReturnType<typeof findingDetail>>;
  plants: Plants;
  mayMark: boolean;
}) {
  const seen = view.seen.flatMap((e) => e.body.observations);
  const wordless = view.seen.flatMap((e) => e.body.wordless);
  return (
    <>
      <section className="mt-6">
        <h2 className="ruled">What was seen</h2>
        <ul>
          {seen.map((o, i) => (
            <li key={`${o.character}-${String(i)}`} className="row py-1.5">
              {inWords(o, (taxon) => plants.common(taxon))}
            </li>
          ))}
        </ul>
        {wordless.length > 0 ? (
          <p className="mt-3">
            In the scout’s own words: {wordless.join("; ")}. No character of the flora takes this in.
          </p>
        ) : null}
        {view.note ? <p className="mt-3">{view.note}</p> : null}
      </section>
      {view.pictures.length > 0 ? (
        <section className="mt-6">
          <h2 className="ruled">Pictures</h2>
          <ul className="flex flex-wrap gap-3 mt-2">
            {view.pictures.map((p) => (
              <li key={p.id}>
                <MeasuredPicture id={p.id} by={p.by} drawn={p.simulated} marks={p.marks} mayMark={mayMark} />
              </li>
            ))}
          </ul>
        </section>
      ) : null}
    </>
  );
}

function inWords(observation: Observation, nameOf: (taxon: string) => string): string {
  const character = shippedFlora().characters.find((c) => c.id === observation.character);
  return character ? observationInWords(observation, character, nameOf) : observation.character;
}
