import Link from "next/link";
import { notFound, redirect } from "next/navigation";
import { amendAction } from "@/app/actions/flora";
import { AmendPreview } from "@/components/flora/amend-preview";
import { refusalWords } from "@/core/errors";
import { POSITIONS, STAGES } from "@/core/flora";
import { plainName } from "@/core/identify";
import { type Amendment, lineText, scoreKey } from "@/core/pack";
import { Drawing } from "@/drawings/render";
import { drawState } from "@/drawings/states";
import { modelOf, readAmendment } from "@/server/flora/amendments";
import { toRefusal } from "@/server/platform/faults";
import { memberOrSignIn } from "@/server/platform/session";

export const metadata = { title: "Correct a score" };
type Asked = { key?: string; character?: string; stage?: string; position?: string; value?: string; reason?: string };

export default async function AmendPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<Asked>;
}) {
  const member = await memberOrSignIn();
  const { id } = await params;
  const asked = await searchParams;
  if (!member.roles.includes("specialist")) redirect(`/flora/${id}`);
  const model = await modelOf(member);
  const index = model.flora.taxa.findIndex((t) => t.id === id);
  if (index < 0) notFound();
  const taxon = model.flora.taxa[index];
  const key =
    asked.key ??
    (asked.character
      ? asked.character +
        ([asked.position, asked.stage].some(Boolean)
          ? `@${[asked.position, asked.stage].filter(Boolean).join("+")}`
          : "")
      : "");
  const character = model.flora.characters.find((c) => c.id === key.split("@")[0]);
  const now = character ? nowSays(model.flora, taxon.name, key) : null;
  const preview =
    asked.value !== undefined && asked.reason !== undefined
      ? previewOf(model, { taxon: taxon.name, key, value: asked.value, reason: asked.reason })
      : null;
  const applying = model.flora.characters.filter((c) => c.applies.includes(taxon.lifeForm));
  const scored = [...new Set(model.flora.scores.filter((s) => s.taxon === index).map((s) => scoreKey(model.flora, s)))];
  return (
    <div className="px-4 md:px-6 py-5 max-w-[920px]">
      <p className="small">
        <Link href={`/flora/${id}`}>{plainName({ model }, index)}</Link>
      </p>
      <h1 className="mt-1">
        Correct a score <span className="latin font-normal text-[21px]">{taxon.name}</span>
      </h1>
      <p className="text-[var(--soft)]">
        Your district’s word over the shipped flora, with your reason; it can be taken back. A score is changed because
        of plants that were looked at, never to make one finding come out.
      </p>
      {!character ? (
        <form className="grid sm:grid-cols-3 gap-4 mt-5 items-end" aria-label="Which score">
          <label className="field sm:col-span-3">
            <span className="label">A score that is recorded</span>
            <select name="key" defaultValue="">
              <option value="">choose, or name another below</option>
              {scored.map((k) => (
                <option key={k} value={k}>
                  {model.flora.characters.find((c) => c.id === k.split("@")[0])?.name}
                  {k.includes("@") ? `, ${k.split("@")[1].replace(/\+/g, ", ")}` : ""}
                </option>
              ))}
            </select>
          </label>
          <button type="submit" className="button press sm:col-span-3 justify-self-start">
            Go on
          </button>
        </form>
      ) : null}
      {!character ? (
        <form className="grid sm:grid-cols-3 gap-4 mt-7 items-end" aria-label="Another score">
          <label className="field">
            <span className="label">Another character</span>
            <select name="character">
              {applying.map((c) => (
                <option key={c.id} value={c.id}>
                  {c.name}
                </option>
              ))}
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
          <button type="submit" className="button sm:col-span-3 justify-self-start">
            Go on
          </button>
        </form>
      ) : (
        <>
          <h2 className="ruled mt-6">
            {character.name}
            {key.includes("@") ? `, ${key.split("@")[1].replace(/\+/g, ", ")}` : ""}
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
              Four numbers in {character.unit}: extreme low, low, high, extreme high; eight plants in ten lie between
              the inner two.
            </p>
          )}
          <form className="grid gap-4 mt-5" aria-label="What it should say">
            <input type="hidden" name="key" value={key} />
            <label className="field">
              <span className="label">
                What it should say · a state and a word (always, usually, often, sometimes, rarely), several with
                commas; ~likely or ~doubtful at the end; nothing: not recorded
              </span>
              <input name="value" defaultValue={asked.value ?? now ?? ""} autoComplete="off" />
            </label>
            <label className="field">
              <span className="label">Why · what was seen, on how many plants, where</span>
              <textarea name="reason" defaultValue={asked.reason ?? ""} />
            </label>
            <p className="flex gap-3">
              <button type="submit" className="button">
                Show what it changes
              </button>
              <Link href={`/flora/${id}/amend`} className="button">
                Another score
              </Link>
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
      )}
    </div>
  );
}

function nowSays(flora: Parameters<typeof lineText>[0], taxon: string, key: string): string | null {
  try {
    return lineText(flora, taxon, key);
  } catch {
    return null;
  }
}

/** The amendment in its one right form, or why it does not check. What it changes is worked out by the jobs process. */
function previewOf(
  model: Awaited<ReturnType<typeof modelOf>>,
  raw: { taxon: string; key: string; value: string; reason: string },
): { fault: string } | { amendment: Amendment } {
  try {
    const { taxon, key, value } = readAmendment(model, raw);
    return { amendment: { taxon, key, value } };
  } catch (error) {
    const refusal = toRefusal(error);
    if (!refusal) throw error;
    return { fault: refusalWords(refusal.message, refusal.issues).join(" ") };
  }
}
