import type { DrawnClue } from "@/drawings/question/clue";
import { Drawing } from "@/drawings/ink/render";

/** The parts of a plant that are shown so far, each drawn, the newest first in the eye. */
export function ClueCards({ clues, isGrowing }: { clues: DrawnClue[]; isGrowing: boolean }) {
  return (
    <ol className="grid grid-cols-2 sm:grid-cols-3 xl:grid-cols-4 gap-2 mt-3" aria-live="polite" aria-label="Clues">
      {clues.map((clue, i) => (
        <li
          key={clue.character}
          className={`border ${isGrowing && i === clues.length - 1 ? "border-2 border-[var(--ink)]" : "border-[var(--rule)]"}`}
        >
          {clue.shapes ? (
            <Drawing shapes={clue.shapes} className="w-full drawing-ground" />
          ) : (
            <span className="block aspect-[5/4] drawing-ground" aria-hidden />
          )}
          <p className="px-2 py-1 leading-tight">
            <span className="small block">{clue.title}</span>
            <span className="font-semibold">{clue.words}</span>
          </p>
        </li>
      ))}
    </ol>
  );
}
