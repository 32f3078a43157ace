import Link from "next/link";
import { notFound } from "next/navigation";
import { v7 as uuidv7 } from "uuid";
import { endDrillSetAction } from "@/app/actions/drill";
import { ConfusionChart } from "@/components/drill/confusion-chart";
import { ActionForm } from "@/components/ui/action-form";
import { Button } from "@/components/ui/button";
import { Empty } from "@/components/ui/notice";
import { PageHead, Section } from "@/components/ui/page";
import { fullDay } from "@/components/words/dates";
import { STAGE_WORDS } from "@/components/words/stages";
import { mayTeach } from "@/server/drill/pack";
import { groupResults } from "@/server/drill/results";
import { teachingView } from "@/server/drill/teach";
import { memberOrSignIn } from "@/server/platform/session";
import { MakeSet } from "./make-set";

export const metadata = { title: "Teach" };

export default async function TeachPage() {
  const member = await memberOrSignIn();
  if (!mayTeach(member)) notFound();
  const [view, results] = await Promise.all([teachingView(member), groupResults(member)]);
  const names = Object.fromEntries(view.plants.map(({ id, plain }) => [id, plain]));
  const groups = view.sets.map(({ id, name, taxa }) => ({ id, name, taxa }));
  return (
    <div className="px-4 md:px-6 py-5 max-w-[1180px]">
      <PageHead above={<Link href="/drill">Drill</Link>} title="Teach">
        <p className="text-[var(--soft)] max-w-[70ch]">
          Make sets for the people of your district, print a quiz, and see which pairs the group mixes up.
        </p>
      </PageHead>
      <div className="lg:grid lg:grid-cols-2 gap-x-10">
        <div>
          <Section title="Sets" aside={`${view.sets.length}`}>
            <ul>
              {view.sets.length === 0 ? (
                <li>
                  <Empty>There is no set yet.</Empty>
                </li>
              ) : (
                view.sets.map((set) => <SetLine key={set.id} set={set} names={names} />)
              )}
            </ul>
          </Section>
          <Section title="Make a set">
            <MakeSet
              key={view.sets.map(({ id }) => id).join(" ")}
              id={uuidv7()}
              plants={view.plants}
              fills={view.fills}
            />
          </Section>
        </div>
        <div>
          <Section title="Pairs that the group mixes up">
            <ConfusionChart confusions={results.pairs} names={names} sets={groups} />
          </Section>
          <Learners results={results} />
        </div>
      </div>
    </div>
  );
}

type SetRow = Awaited<ReturnType<typeof teachingView>>["sets"][number];

function SetLine({ set, names }: { set: SetRow; names: Record<string, string> }) {
  const stage = set.stage as keyof typeof STAGE_WORDS | null;
  return (
    <li className="row py-2">
      <strong>{set.name}</strong>{" "}
      <span className="small">
        {set.taxa.length} {set.taxa.length === 1 ? "plant" : "plants"}
        {stage ? `, ${STAGE_WORDS[stage].toLowerCase()}` : ""}
        {set.due ? `, due ${fullDay(set.due)}` : ""} · made by {set.madeBy}
      </span>
      {set.requiredFor.length > 0 ? (
        <span className="small block">
          Must be passed before clear findings are planned without you:{" "}
          {set.requiredFor.map((id) => names[id] ?? id).join(", ")}.
        </span>
      ) : null}
      <span className="flex flex-wrap gap-3 items-center">
        <a className="tap" href={`/api/v1/drill-sets/${set.id}/quiz`} download>
          Quiz with key as PDF
        </a>
        <ActionForm action={endDrillSetAction} label={`End ${set.name}`}>
          <input type="hidden" name="id" value={set.id} />
          <Button type="submit" look="plain">
            End this set
          </Button>
        </ActionForm>
      </span>
    </li>
  );
}

function Learners({ results }: { results: Awaited<ReturnType<typeof groupResults>> }) {
  return (
    <Section title="People" aside="who show their answers">
      {results.learners.length === 0 ? (
        <Empty>Nobody shows their answers so far. Each person decides in Drill.</Empty>
      ) : (
        <table className="w-full text-left mt-2">
          <thead>
            <tr className="small">
              <th scope="col" className="font-normal">
                Name
              </th>
              <th scope="col" className="font-normal">
                Answers
              </th>
              <th scope="col" className="font-normal">
                Right
              </th>
              <th scope="col" className="font-normal">
                Passed
              </th>
            </tr>
          </thead>
          <tbody>
            {results.learners.map(({ name, answers, right, passed }) => (
              <tr key={name} className="row">
                <td className="py-2">{name}</td>
                <td className="figure">{answers}</td>
                <td className="figure">{answers > 0 ? `${Math.round((100 * right) / answers)}%` : "none"}</td>
                <td>{passed.join(", ") || "no set"}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {results.withheld > 0 ? (
        <p className="small mt-2">
          {results.withheld} {results.withheld === 1 ? "person does" : "people do"} not show their answers.
        </p>
      ) : null}
    </Section>
  );
}
