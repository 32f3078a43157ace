import { percent } from "@/core/identify";
import { Hedge } from "./hedge";
import { isTesting, nameOfPart, nameOfPlant, type OpenBench } from "./open-bench";
import { SavePanel } from "./save-panel";
import { SeasonReplay } from "./season-replay";
import { TopTwo } from "./top-two";

/** Who still fits, what that means, and saving it. */
export function FitsColumn({ bench }: { bench: OpenBench }) {
  const { sheet, view, before } = bench;
  const limit = view ? ` is ${Number((view.identification.limit * 100).toPrecision(2))}%` : "";
  return (
    <div className="px-4 md:px-6 py-4 min-w-0">
      <div id="fits-panel" className={sheet === "fits" ? "" : "hidden lg:block"}>
        <h2 className="ruled">
          Who still fits
          <span className="small">higher fits better · your limit{limit}</span>
        </h2>
        {view ? <Hedge marks={view.field} before={before} limit={view.identification.limit} /> : null}
        <Meaning bench={bench} />
        <Compared bench={bench} />
      </div>
      <div className={sheet === "save" ? "" : "hidden lg:block"}>
        <Save bench={bench} />
      </div>
    </div>
  );
}

/** From this share on of all that fits, two plants stand out and are set side by side. */
const STANDS_OUT = 0.5;
const standOut = ({ view, pair }: OpenBench): boolean =>
  pair !== null ||
  (view?.field ?? [])
    .filter((m) => view?.pair?.some((side) => side.taxon === m.taxon))
    .reduce((sum, m) => sum + m.probability, 0) >= STANDS_OUT;

const MOST_UNTESTED = 3;

function Meaning({ bench }: { bench: OpenBench }) {
  const found = bench.view?.identification;
  if (!found) return null;
  const begun = bench.draft.observations.length > 0;
  const [alike] = found.sameTreatment;
  const crosses = found.hybrids
    .slice(0, 2)
    .map((h) => `${h.parents.map((n) => nameOfPlant(bench, n)).join(" × ")}, ${percent(h.probability, "under ")}`);
  const untested = found.untested
    .slice(0, MOST_UNTESTED)
    .map((u) => `${nameOfPlant(bench, u.taxon)} (${u.characters.map((id) => nameOfPart(bench, id)).join(", ")})`);
  return (
    <>
      {begun && alike ? (
        <p className="mt-2">
          You do not need to tell these apart. They get the same treatment here:{" "}
          {alike.map((n) => nameOfPlant(bench, n)).join(", ")}.
        </p>
      ) : null}
      {begun && crosses.length > 0 ? (
        <p className="small mt-2">It may be a cross: {crosses.join("; ")}. A cross is kept if one of its parents is.</p>
      ) : null}
      {untested.length > 0 ? (
        <p className="small mt-2">These were not tested, because the flora does not say: {untested.join("; ")}</p>
      ) : null}
    </>
  );
}

function Compared({ bench }: { bench: OpenBench }) {
  const { view, draft, vocabulary, chooseAny, input, engine, inMind } = bench;
  const begun = draft.observations.length > 0;
  const testing = isTesting(bench);
  const subject = testing ? inMind : view?.field.find((m) => m.taxon !== "unknown")?.taxon;
  return (
    <>
      {view?.pair && begun && standOut(bench) ? (
        <TopTwo
          pair={view.pair}
          parted={view.parted}
          nameOf={(id) => nameOfPart(bench, id)}
          idOf={(taxon) => vocabulary.taxa.find((t) => t.name === taxon)?.id ?? ""}
          onAsk={chooseAny}
        />
      ) : null}
      {input && subject && (begun || testing) ? (
        <SeasonReplay
          taxon={subject}
          name={nameOfPlant(bench, subject)}
          place={draft.siteId}
          input={input}
          engine={engine}
          nameOf={(id) => nameOfPart(bench, id)}
        />
      ) : null}
    </>
  );
}

function Save({ bench }: { bench: OpenBench }) {
  const { pack, draft, site, shelf, kit, placeSaid, view, upToDate, character, setMeasuring, setSheet, setWaits } =
    bench;
  return (
    <SavePanel
      pack={pack}
      draft={draft}
      site={site}
      pictures={shelf.pictures}
      kit={kit}
      placeSaid={placeSaid}
      found={(upToDate && view?.identification) || null}
      onChange={shelf.change}
      onAddPictures={shelf.addPictures}
      onMeasure={(picture) =>
        setMeasuring({ picture, character: character?.states.length === 0 ? character.id : null })
      }
      onRemovePicture={shelf.removePicture}
      onLaidOut={(fresh) => {
        shelf.begin(fresh);
        setSheet("none");
      }}
      onWaiting={setWaits}
    />
  );
}
