import { itemAt } from "@/core/items";
import Link from "next/link";
import type { Score } from "@/core/flora";
import { scoreKey } from "@/core/pack";
import { Drawing } from "@/drawings/ink/render";
import { drawState } from "@/drawings/states/draw-state";
import type { PlantPage } from "@/server/flora/plant-page";

/** How far the score itself may be wrong, where that is more than usual. */
const doubtOf = (confidence: number) => (confidence < 0.75 ? " · doubtful" : confidence < 0.92 ? " · likely" : "");

/** Every score of the plant, by the part of it that is looked at. */
export function Scores({ view, mayAmend }: { view: PlantPage; mayAmend: boolean }) {
  const { characters } = view.model.flora;
  const stations = [...new Set(view.scores.map((s) => itemAt(characters, s.character).station))];
  return stations.map((station) => (
    <section key={station} className="mt-6">
      <h2 className="ruled">{station.charAt(0).toUpperCase() + station.slice(1).replace(/-/g, " ")}</h2>
      <ul className="grid sm:grid-cols-2">
        {view.scores
          .filter((s) => itemAt(characters, s.character).station === station)
          .map((s) => (
            <ScoreLine
              key={`${itemAt(characters, s.character).id}-${s.stage ?? ""}-${s.position ?? ""}-${s.form ?? ""}`}
              view={view}
              score={s}
              mayAmend={mayAmend}
            />
          ))}
      </ul>
    </section>
  ));
}

/** States below this share are not named. */
const NAMED = 0.12;

function ScoreLine({ view, score: s, mayAmend }: { view: PlantPage; score: Score; mayAmend: boolean }) {
  const { flora } = view.model;
  const c = itemAt(flora.characters, s.character);
  const best = (s.shares ?? [])
    .map((share, i) => ({ share, state: itemAt(c.states, i) }))
    .filter((x) => x.share > NAMED)
    .sort((a, b) => b.share - a.share);
  const shapes = best[0] ? drawState(c.id, best[0].state.id) : null;
  const key = scoreKey(flora, s);
  return (
    <li className="row flex gap-3 items-center py-1.5">
      {shapes ? (
        <span className="flex-none w-[60px] h-[48px] drawing-ground border border-[var(--rule)]">
          <Drawing shapes={shapes} className="w-full h-full" />
        </span>
      ) : null}
      <span>
        <span className="small">
          {c.name}
          {s.stage ? `, ${s.stage}` : ""}
          {s.position ? `, ${s.position} leaves` : ""}
          {s.form ? `, ${s.form} form` : ""}
          {doubtOf(s.confidence)}
          {view.amended.has(key) ? <span className="chip ml-1">changed here</span> : null}
          {mayAmend ? (
            <>
              {" "}
              <Link
                className="no-print"
                href={`/flora/${view.taxon.id}/amend?key=${encodeURIComponent(key)}`}
                aria-label={`Correct ${c.name}`}
              >
                correct
              </Link>
            </>
          ) : null}
        </span>
        <br />
        {s.points ? (
          <Range points={s.points} unit={c.unit} />
        ) : (
          best.map((x) => `${x.state.name.toLowerCase()} ${Math.round(x.share * 100)}%`).join(", ")
        )}
      </span>
    </li>
  );
}

const Range = ({ points: [least, low, high, most], unit }: { points: NonNullable<Score["points"]>; unit?: string }) => (
  <span className="figure">
    {low === high ? low : `${low} to ${high}`} {unit}{" "}
    {least === most ? null : (
      <span className="small">
        ({least} to {most})
      </span>
    )}
  </span>
);
