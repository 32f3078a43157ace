import { Disclosure, PlainAction } from "@/components/ui/disclosure";
import { PageHead } from "@/components/ui/page";
import { Button } from "@/components/ui/button";
import { firstOf, itemAt } from "@/core/items";
import Link from "next/link";
import { revertAction } from "@/app/actions/flora";
import { amendmentSubject, AmendmentWords } from "@/components/flora/amendment-words";
import { PackForm } from "@/components/flora/pack-form";
import { PackLinks } from "@/components/flora/pack-links";
import { ActionForm } from "@/components/ui/action-form";
import { fullDay } from "@/components/words/dates";
import { kindOfKey } from "@/core/pack";
import { amendmentHistory, plantsOf } from "@/server/flora/amendments";
import { asMember, memberOrSignIn } from "@/server/platform/session";

export const metadata = { title: "Packs" };

export default async function PacksPage() {
  const member = await memberOrSignIn();
  const plants = await plantsOf(member);
  const history = await asMember(member, (tx) => amendmentHistory(tx));
  const mayChange = member.roles.includes("specialist");
  return (
    <div className="px-4 md:px-6 py-5">
      <PageHead above={<Link href="/flora">Flora</Link>} title="Packs and amendments" />
      <p className="text-[var(--soft)] max-w-[70ch]">
        You can download the flora as tables for a spreadsheet: the plants, what tells each one from its twins, and one
        score per row in plain words. You can upload it the same way, with plants that you added. What this district
        changes lies over the shipped flora and can be taken back.
      </p>
      <section className="mt-6">
        <h2 className="ruled">Out</h2>
        <ul>
          <Out scope="all">The whole flora</Out>
          <Out scope="amendments">What this district changed</Out>
        </ul>
        <Disclosure summary={<PlainAction>One set at a time</PlainAction>}>
          <ul className="lg:columns-2">
            {plants.flora.sets.map((s) => (
              <Out key={s.id} scope={s.id}>
                {s.name}
              </Out>
            ))}
          </ul>
        </Disclosure>
        <Disclosure summary={<PlainAction>How a plant is added</PlainAction>}>
          <ol className="list-decimal pl-6 max-w-[70ch]">
            <li className="py-1">
              Open the plant that is most like it and download its three tables at the bottom of its page. The tables
              are filled in, so you do not start from an empty sheet.
            </li>
            <li className="py-1">
              Write the new plant’s accepted name in place of the old one, in all three. Correct every row from plants
              that you checked. Delete the rows that nobody knows. A score that is missing counts as not recorded, and
              never counts against a kept plant.
            </li>
            <li className="py-1">
              In the table of twins, say which plant it is mistaken for, which characters tell the two apart, and the
              mistake people make. A plant without a twin, or with a twin that nothing tells apart, is refused.
            </li>
            <li className="py-1">
              Choose the three tables together below. Everything is checked before anything is imported, and the page
              shows which findings would get a different verdict. Then put the plant on the list. Until then it counts
              as kept.
            </li>
          </ol>
        </Disclosure>
      </section>
      {mayChange ? (
        <section className="mt-8">
          <h2 className="ruled">In</h2>
          <PackForm />
        </section>
      ) : (
        <p className="mt-8">Only a specialist can import a pack.</p>
      )}
      <section className="mt-8">
        <h2 className="ruled">
          Amendments<span className="small">newest first; the shipped flora is never lost</span>
        </h2>
        {history.length === 0 ? (
          <p className="small py-3">
            This district has changed nothing yet. A specialist corrects a score on the page of the plant.
          </p>
        ) : (
          <ul>
            {together(history).map((group) => (
              <Amended
                key={itemAt(group, 0).id}
                group={group}
                plant={plants.common(itemAt(group, 0).taxon)}
                mayChange={mayChange}
              />
            ))}
          </ul>
        )}
      </section>
    </div>
  );
}

const Out = ({ scope, children }: { scope: string; children: React.ReactNode }) => (
  <li className="row py-2 break-inside-avoid">
    {children}: <PackLinks scope={scope} />
  </li>
);

type History = Awaited<ReturnType<typeof amendmentHistory>>;

/** What was changed of one plant at one time, as by a pack, stands together. */
function together(history: History): History[] {
  const groups = new Map<string, History>();
  for (const a of history) {
    const key = `${a.taxon} ${a.createdAt.toISOString()} ${a.reason}`;
    groups.set(key, [...(groups.get(key) ?? []), a]);
  }
  return [...groups.values()];
}

const Said = ({ a }: { a: History[number] }) => (
  <>
    {amendmentSubject(a.key)}:{" "}
    <AmendmentWords name={a.key} before={a.before} value={a.value} struck={a.revertedAt !== null} />
    {a.revertedAt ? (
      <span className="small">
        {" "}
        · taken back by {a.revertedBy}, {fullDay(a.revertedAt.toISOString())}
      </span>
    ) : null}
  </>
);

function Amended({ group, plant, mayChange }: { group: History; plant: string; mayChange: boolean }) {
  const first = firstOf(group);
  const standing = group.filter((a) => !a.revertedAt);
  const itself = group.find((a) => kindOfKey(a.key) === "plant");
  return (
    <li className="row py-3">
      <span className="font-semibold">{plant}</span>,{" "}
      {group.length === 1 ? (
        <Said a={first} />
      ) : (
        `${itself ? (itself.before === null ? "added here" : "the plant itself") : "scores changed"}: ${group.length} lines${standing.length === 0 ? ", taken back" : ""}`
      )}
      <br />
      <span className="small">
        {first.reason} · {first.madeBy}, {fullDay(first.createdAt.toISOString())}
      </span>
      {group.length > 1 ? (
        <Disclosure summary={<PlainAction>Line by line</PlainAction>}>
          <ul>
            {group.map((a) => (
              <li key={a.id} className="py-1">
                <Said a={a} />
                {mayChange && !a.revertedAt ? (
                  <TakeBack amendments={[a]} label={`Take back ${amendmentSubject(a.key)} of ${a.taxon}`} />
                ) : null}
              </li>
            ))}
          </ul>
        </Disclosure>
      ) : null}
      {mayChange && standing.length > 0 ? (
        <TakeBack
          amendments={standing}
          label={
            standing.length === 1
              ? `Take back ${amendmentSubject(itemAt(standing, 0).key)} of ${first.taxon}`
              : `Take back ${standing.length} lines of ${first.taxon}`
          }
          all={standing.length > 1}
        />
      ) : null}
    </li>
  );
}

function TakeBack({ amendments, label, all }: { amendments: History; label: string; all?: boolean }) {
  return (
    <ActionForm action={revertAction} label={label}>
      {amendments.map((a) => (
        <input key={a.id} type="hidden" name="id" value={a.id} />
      ))}
      <Button type="submit" look="plain" aria-label={all ? label : undefined}>
        {all ? "Take all of it back" : "Take it back"}
      </Button>
    </ActionForm>
  );
}
