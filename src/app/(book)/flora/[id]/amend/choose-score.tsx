import { Options } from "@/components/ui/options";
import { Button } from "@/components/ui/button";
import { itemAt } from "@/core/items";
import { type Character, type CompiledFlora, POSITIONS, STAGES } from "@/core/flora";

/** Which score is to be corrected: one that is recorded, or any other. */
export const ChooseScore = ({
  flora,
  scored,
  applying,
}: {
  flora: CompiledFlora;
  scored: string[];
  applying: Character[];
}) => (
  <>
    <form className="grid sm:grid-cols-3 gap-4 mt-5 items-end" aria-label="Which score">
      <label className="field sm:col-span-3">
        <span className="label">A score that is recorded</span>
        <select name="key" defaultValue="">
          <option value="">choose, or name another below</option>
          {scored.map((k) => (
            <option key={k} value={k}>
              {flora.characters.find((c) => c.id === k.split("@")[0])?.name}
              {k.includes("@") ? `, ${itemAt(k.split("@"), 1).replace(/\+/g, ", ")}` : ""}
            </option>
          ))}
        </select>
      </label>
      <Button type="submit" look="press" className="sm:col-span-3 justify-self-start">
        Go on
      </Button>
    </form>
    <form className="grid sm:grid-cols-3 gap-4 mt-7 items-end" aria-label="Another score">
      <label className="field">
        <span className="label">Another character</span>
        <select name="character">
          <Options choices={applying} />
        </select>
      </label>
      <label className="field">
        <span className="label">At a stage only</span>
        <select name="stage">
          <option value="">at any stage</option>
          {STAGES.map((s) => (
            <option key={s}>{s}</option>
          ))}
        </select>
      </label>
      <label className="field">
        <span className="label">On a part of the plant only</span>
        <select name="position">
          <option value="">anywhere</option>
          {POSITIONS.map((p) => (
            <option key={p}>{p}</option>
          ))}
        </select>
      </label>
      <Button type="submit" className="sm:col-span-3 justify-self-start">
        Go on
      </Button>
    </form>
  </>
);
