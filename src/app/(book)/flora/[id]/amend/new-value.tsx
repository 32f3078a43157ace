import { itemAt } from "@/core/items";
import { Button, LinkButton } from "@/components/ui/button";
import { amendAction } from "@/app/actions/flora";
import { AmendPreview } from "@/components/flora/amend-preview";
import type { Character } from "@/core/flora";
import type { Amendment } from "@/core/pack";
import { Drawing } from "@/drawings/ink/render";
import { drawState } from "@/drawings/states/draw-state";

/** What the score says now, what it should say, and what that would change. */
export const NewValue = ({
  id,
  scoreKey: key,
  character,
  now,
  asked,
  preview,
}: {
  id: string;
  scoreKey: string;
  character: Character;
  now: string | null;
  asked: { value?: string; reason?: string };
  preview: { amendment: Amendment } | { fault: string } | null;
}) => (
  <>
    <h2 className="ruled mt-6">
      {character.name}
      {key.includes("@") ? `, ${itemAt(key.split("@"), 1).replace(/\+/g, ", ")}` : ""}
      <span className="small">{character.ask}</span>
    </h2>
    <p className="mt-2">
      The flora says: <strong>{now ?? "not recorded"}</strong>
    </p>
    {character.states.length > 0 ? (
      <ul className="flex flex-wrap gap-2 mt-3">
        {character.states.map((s) => {
          const shapes = drawState(character.id, s.id);
          return (
            <li key={s.id} className="w-[104px] border border-[var(--rule)] bg-[var(--sheet)]">
              {shapes ? (
                <span className="block h-[64px] drawing-ground">
                  <Drawing shapes={shapes} className="w-full h-full" />
                </span>
              ) : null}
              <span className="block p-1.5 text-[14px]">
                <code className="font-semibold">{s.id}</code>
                <br />
                <span className="small">{s.name}</span>
              </span>
            </li>
          );
        })}
      </ul>
    ) : (
      <p className="small mt-2">
        Four numbers in {character.unit}: extreme low, low, high, extreme high; eight plants in ten lie between the
        inner two.
      </p>
    )}
    <form className="grid gap-4 mt-5" aria-label="What it should say">
      <input type="hidden" name="key" value={key} />
      <label className="field">
        <span className="label">
          What it should say · a state and a word (always, usually, often, sometimes, rarely), several with commas;
          ~likely or ~doubtful at the end; nothing: not recorded
        </span>
        <input name="value" defaultValue={asked.value ?? now ?? ""} autoComplete="off" />
      </label>
      <label className="field">
        <span className="label">Why · what was seen, on how many plants, where</span>
        <textarea name="reason" defaultValue={asked.reason ?? ""} />
      </label>
      <p className="flex gap-3">
        <Button type="submit">Show what it changes</Button>
        <LinkButton href={`/flora/${id}/amend`}>Another score</LinkButton>
      </p>
    </form>
    {preview && "fault" in preview ? (
      <p role="alert" className="fault mt-3">
        {preview.fault}
      </p>
    ) : null}
    {preview && "amendment" in preview ? (
      <AmendPreview
        amendment={preview.amendment}
        reason={asked.reason ?? ""}
        now={now}
        back={id}
        action={amendAction}
      />
    ) : null}
  </>
);
