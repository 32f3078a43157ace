import { type Model, type Stage, usualState } from "@/core/identify";
import { Drawing } from "@/drawings/render";
import { drawState } from "@/drawings/states";

/** What one of several plants shows of a part, drawn and in words; framed where it stands apart from the others. */
export function TwinLook({ model, taxon, character, stage, words, apart }: { model: Model; taxon: number; character: string; stage: Stage; words: string; apart: boolean }) {
  const state = usualState(model, taxon, character, stage);
  const shapes = state ? drawState(character, state) : null;
  return (
    <td className="py-2 pr-3">
      {shapes ? <span className={`block w-[104px] h-[84px] bg-[#fdfbf5] border ${apart ? "border-2 border-[var(--ink)]" : "border-[var(--rule)]"}`}><Drawing shapes={shapes} className="w-full h-full" /></span> : null}
      <span className={apart ? "font-semibold" : ""}>{words}</span>
    </td>
  );
}
