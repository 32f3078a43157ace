import { PageHead } from "@/components/ui/page";
import { itemAt } from "@/core/items";
import Link from "next/link";
import { notFound, redirect } from "next/navigation";
import { refusalWords } from "@/core/errors";
import { plainName } from "@/core/identify";
import { type Amendment, lineText, scoreKey } from "@/core/pack";
import { modelOf, readAmendment } from "@/server/flora/amendments";
import { toRefusal } from "@/server/platform/faults";
import { memberOrSignIn } from "@/server/platform/session";
import { ChooseScore } from "./choose-score";
import { NewValue } from "./new-value";

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
  const taxon = itemAt(model.flora.taxa, index);
  const key = keyOf(asked);
  const character = model.flora.characters.find((c) => c.id === key.split("@")[0]);
  const now = character ? nowSays(model.flora, taxon.name, key) : null;
  const preview =
    asked.value !== undefined && asked.reason !== undefined
      ? previewOf(model, { taxon: taxon.name, key, value: asked.value, reason: asked.reason })
      : null;
  return (
    <div className="px-4 md:px-6 py-5 max-w-[920px]">
      <PageHead
        above={<Link href={`/flora/${id}`}>{plainName({ model }, index)}</Link>}
        title={
          <>
            Correct a score <span className="latin font-normal text-[21px]">{taxon.name}</span>
          </>
        }
      />
      <p className="text-[var(--soft)]">
        Your district’s correction replaces the shipped score, with your reason. It can be taken back. Change a score
        because of plants that you checked, never to make one finding come out right.
      </p>
      {character ? (
        <NewValue id={id} scoreKey={key} character={character} now={now} asked={asked} preview={preview} />
      ) : (
        <ChooseScore
          flora={model.flora}
          scored={[
            ...new Set(model.flora.scores.filter((s) => s.taxon === index).map((s) => scoreKey(model.flora, s))),
          ]}
          applying={model.flora.characters.filter((c) => c.applies.includes(taxon.lifeForm))}
        />
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

/** The key of the score that is asked for: given whole, or as character, place and stage. */
function keyOf({ key, character, position, stage }: Asked): string {
  if (key !== undefined || !character) return key ?? "";
  const where = [position, stage].filter(Boolean).join("+");
  return where ? `${character}@${where}` : character;
}
