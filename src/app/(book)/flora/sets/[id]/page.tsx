import { PageHead } from "@/components/ui/page";
import { WHEN } from "@/components/words/stages";
import Link from "next/link";
import { notFound } from "next/navigation";
import { PrintButton } from "@/components/shell/print-button";
import { StatusMark } from "@/components/verdict/marks";
import { STAGES } from "@/core/flora";
import { namedStates } from "@/core/identify";
import { Drawing } from "@/drawings/ink/render";
import { typicalFigure } from "@/drawings/figure/figure";
import { FigureDrawing } from "@/drawings/figure/figure-drawing";
import { drawState } from "@/drawings/states/draw-state";
import { type CardPlant, setCard, type SetCard } from "@/server/flora/twins";
import { memberOrSignIn } from "@/server/platform/session";

export const metadata = { title: "Set" };
/** Pairs, plants that are not held, and hazards that the card has room for on one A5 page. */
const CARD_LINES = 5;
const CARD_UNHELD = 2;
const CARD_HAZARDS = 3;

export default async function SetPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ stage?: string }>;
}) {
  const member = await memberOrSignIn();
  const [{ id }, { stage }] = [await params, await searchParams];
  const card = await setCard(
    member,
    id,
    STAGES.find((s) => s === stage),
  );
  if (!card) notFound();
  const printed = CARD_LINES - (card.unheld.length > 0 ? 1 : 0);
  return (
    <div className="px-4 md:px-6 py-5 field-card">
      <PageHead
        above={<Link href="/flora">Flora</Link>}
        title={
          <>
            {card.name}, {WHEN[card.stage]}
          </>
        }
      />
      <p className="no-print text-[var(--soft)] max-w-[70ch]">
        The targets of this district, next to the plants to keep that are most easily mistaken for them. The most
        similar pair comes first.
      </p>
      <nav aria-label="Stage" className="no-print flex flex-wrap gap-2 mt-3">
        {card.stages.map((s) => (
          <Link
            key={s}
            href={`/flora/sets/${id}?stage=${s}`}
            aria-current={s === card.stage ? "page" : undefined}
            className={`no-underline button pill ${s === card.stage ? "press" : ""}`}
          >
            {WHEN[s]}
          </Link>
        ))}
      </nav>
      {card.lines.length === 0 ? (
        <p className="mt-5">
          No plant of this set is a target in this district at this stage. Do not act on any of them.{" "}
          <Link href="/flora/list">The list</Link> says what is.
        </p>
      ) : (
        <Lines card={card} printed={printed} />
      )}
      {card.unheld.length > 0 ? (
        <section className="mt-4">
          <h2 className="ruled">Kept, and not in this flora</h2>
          <ul>
            {card.unheld.map((twin, i) => (
              <li key={`${twin.target.id}-${twin.name}`} className={`row py-1.5 ${i < CARD_UNHELD ? "" : "no-print"}`}>
                <strong>{twin.common.charAt(0).toUpperCase() + twin.common.slice(1)}</strong>{" "}
                <span className="latin">{twin.name}</span> is mistaken for {twin.target.common}
                {twin.looks.length > 0
                  ? `. Only ${twin.target.common} shows ${twin.looks.join("; ")}.`
                  : ". Nothing tells them apart at this stage, so hold."}
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      {card.hazards.length > 0 ? (
        <section className="mt-4">
          <h2 className="ruled">Take care</h2>
          <ul>
            {card.hazards.map((h, i) => (
              <li key={h} className={`row py-1.5 ${i < CARD_HAZARDS ? "" : "no-print"}`}>
                {h}
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      <p className="print-only">
        Not sure of every line? Hold, and check again. Follow the label, local law and licensed professionals.
      </p>
      <div className="no-print mt-5 flex items-center gap-3">
        <PrintButton />
        <span className="small">
          Prints as a field card, one page of A5
          {card.lines.length > printed ? `: the ${printed} most similar pairs of ${card.lines.length}` : ""}.
        </span>
      </div>
    </div>
  );
}

function Lines({ card, printed }: { card: SetCard; printed: number }) {
  return (
    <table className="w-full mt-4 print:mt-1 text-left set-card">
      <thead>
        <tr className="small">
          <th scope="col" className="w-[22%]">
            What to check
          </th>
          <th scope="col" className="w-[39%]">
            Target
          </th>
          <th scope="col">Look-alike to keep</th>
        </tr>
      </thead>
      {card.lines.map((line, i) => (
        <tbody key={`${line.target.id}-${line.kept.id}`} className={i < printed ? "" : "no-print"}>
          <tr className="align-top border-t border-[var(--line)]">
            <td className="pt-3 pr-2">
              <Link
                className="tap small no-print"
                href={`/twins?t=${line.target.id}&t=${line.kept.id}&stage=${card.stage}`}
                aria-label={`${line.target.common} and ${line.kept.common} side by side`}
              >
                side by side
              </Link>
            </td>
            <td className="pt-3 pr-2">
              <Plant card={card} plant={line.target} />
            </td>
            <td className="pt-3">
              <Plant card={card} plant={line.kept} />
            </td>
          </tr>
          {line.looks.map((look) => (
            <tr key={look.character} className="align-top">
              <th scope="row" className="font-normal py-1.5 pr-2">
                {look.name}
              </th>
              <td className="py-1.5 pr-2">
                <Shown card={card} plant={line.target} character={look.character} words={look.target} />
              </td>
              <td className="py-1.5">
                <Shown card={card} plant={line.kept} character={look.character} words={look.kept} />
              </td>
            </tr>
          ))}
          {line.looks.length === 0 ? (
            <tr>
              <td />
              <td colSpan={2} className="py-1.5">
                <strong>Nothing recorded tells them apart at this stage: hold.</strong>
              </td>
            </tr>
          ) : null}
        </tbody>
      ))}
    </table>
  );
}

function Plant({ card, plant }: { card: SetCard; plant: CardPlant }) {
  return (
    <>
      <FigureDrawing
        figure={typicalFigure(card.model, plant.index, card.stage)}
        title={`${plant.common}, the whole plant`}
        className="block sm:float-left mr-2 w-[76px] h-[84px] print:float-left print:w-[44px] print:h-[49px]"
      />
      <span className="flex gap-2 items-center">
        <StatusMark status={plant.status} size={16} />
        <Link href={`/flora/${plant.id}`} className="tap font-semibold min-w-0 wrap-anywhere">
          {plant.common}
        </Link>
      </span>
      <span className="latin">{plant.name}</span> <span className="small">{plant.status}</span>
    </>
  );
}

/** What a plant shows, each state that the words name drawn where it can be. */
function Shown({
  card,
  plant,
  character,
  words,
}: {
  card: SetCard;
  plant: CardPlant;
  character: string;
  words: string;
}) {
  const states = namedStates(card.model, plant.index, card.model.characterIndex.get(character) as number, card.stage);
  const drawn = states.flatMap((state) => {
    const shapes = drawState(character, state);
    return shapes ? [{ state, shapes }] : [];
  });
  return (
    <span className="flex flex-col sm:flex-row gap-2 sm:items-center shown">
      {drawn.length > 0 ? (
        <span className="flex gap-1 shrink-0">
          {drawn.map(({ state, shapes }) => (
            <span key={state} className="flex-none w-[60px] h-[48px] drawing-ground border border-[var(--rule)]">
              <Drawing shapes={shapes} className="w-full h-full" />
            </span>
          ))}
        </span>
      ) : null}
      <span>{words}</span>
    </span>
  );
}
