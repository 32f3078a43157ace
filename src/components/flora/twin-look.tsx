import type { Stage } from "@/core/flora";
import { type Model, namedStates } from "@/core/identify";
import { Drawing } from "@/drawings/ink/render";
import { drawState } from "@/drawings/states/draw-state";

/** What one of several plants shows of a part, each state that the words name drawn; framed where it stands apart from the others. */
export function TwinLook({
  model,
  taxon,
  character,
  stage,
  words,
  apart,
}: {
  model: Model;
  taxon: number;
  character: string;
  stage: Stage;
  words: string;
  apart: boolean;
}) {
  const states = namedStates(model, taxon, model.characterIndex.get(character) as number, stage);
  const drawn = states.map((state) => ({ state, shapes: drawState(character, state) }));
  const size = drawn.length > 1 ? "w-[78px] h-[63px]" : "w-[104px] h-[84px]";
  return (
    <td className="py-2 pr-3">
      <span className="flex flex-wrap gap-1">
        {drawn.map(({ state, shapes }) =>
          shapes ? (
            <span
              key={state}
              className={`block ${size} drawing-ground border ${apart ? "border-2 border-[var(--ink)]" : "border-[var(--rule)]"}`}
            >
              <Drawing shapes={shapes} className="w-full h-full" />
            </span>
          ) : null,
        )}
      </span>
      <span className={apart ? "font-semibold" : ""}>{words}</span>
    </td>
  );
}
