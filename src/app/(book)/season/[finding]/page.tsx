import Link from "next/link";
import { notFound } from "next/navigation";
import { sizeAction } from "@/app/actions/season";
import { SizeForm, sizeWords } from "@/components/season/size-form";
import { LinkButton } from "@/components/ui/button";
import { Disclosure, PlainAction } from "@/components/ui/disclosure";
import { Notice } from "@/components/ui/notice";
import { PageHead } from "@/components/ui/page";
import { areaText, fullDay, parseDay } from "@/components/words/dates";
import { WHEN } from "@/components/words/stages";
import { waterWords } from "@/components/words/water-words";
import { STAGES } from "@/core/flora";
import { type AskedView, planningFor, type PlanningView } from "@/server/control/planning";
import { plantsOf } from "@/server/flora/amendments";
import { Refusal } from "@/server/platform/faults";
import { memberOrSignIn } from "@/server/platform/session";
import { SayReady, WhatIsReady } from "./ready";
import { MethodEntry } from "./method-entry";
import { OtherDay, ShownDay } from "./other-day";

export const metadata = { title: "What can be done" };
interface Search {
  after?: string;
  on?: string;
  stage?: string;
}

/** Another day, as a person writes it, and another stage than now; a day that is none is refused with its own words. */
const readAsked = ({ on, stage }: Search): AskedView => ({
  ...(on ? { on: parseDay(on) ?? on } : {}),
  stage: STAGES.find((s) => s === stage),
});

const ANSWERS = { eligible: "Suits now", "not-now": "Not now", never: "Never here" } as const;
/** The same of another day or stage than that of now. */
const ANSWERS_THEN = { ...ANSWERS, eligible: "Suits then", "not-now": "Not then" } as const;

export default async function PlanningPage({
  params,
  searchParams,
}: {
  params: Promise<{ finding: string }>;
  searchParams: Promise<Search>;
}) {
  const member = await memberOrSignIn();
  const { after = "", ...asked } = await searchParams;
  const plants = await plantsOf(member);
  const { finding } = await params;
  const ask = readAsked(asked);
  const view = await planningFor(member, finding, ask).catch((error) => {
    if (error instanceof Refusal && error.status === 404) return notFound();
    if (error instanceof Refusal) return error;
    throw error;
  });
  if (view instanceof Refusal)
    return (
      <div className="p-6">
        <h1>What can be done</h1>
        <p className="mt-3 max-w-[60ch]">
          {view.message} {view.issues.map(({ what }) => `${what.charAt(0).toUpperCase()}${what.slice(1)}.`).join(" ")}
        </p>
        {asked.on ? <LinkButton href={`/season/${finding}`}>Show today</LinkButton> : null}
      </div>
    );
  const specialist = member.roles.includes("specialist");
  const isNow = view.on === view.today && !ask.stage;
  return (
    <div className="px-4 md:px-6 py-5">
      <PageHead
        above={
          <>
            <Link href={`/findings/${view.findingId}`}>Finding F-{view.number}</Link> ·{" "}
            <Link href={`/ground/patch/${view.patchId}`}>{view.patchName}</Link>, {view.siteName}
          </>
        }
        title={<>What can be done: {plants.common(view.taxon)}</>}
      />
      <p className="text-[var(--soft)]">
        {areaText(view.areaM2)}, {WHEN[view.stage]}. Water: {waterWords(view.water)}. Today is {fullDay(view.today)}.
        {view.lastBeforeSeed ? (
          <>
            {" "}
            <strong>The last good day before seed is {fullDay(view.lastBeforeSeed)}.</strong>
          </>
        ) : null}
      </p>
      <p className="mt-4 max-w-[80ch]">
        <strong>How much stands here:</strong> {sizeWords(view.sizeSeen ?? view.size)}
        {view.sizeSeen
          ? `. ${view.sizeSeen.by}, ${fullDay(view.sizeSeen.day)}.`
          : ", as the patch was drawn. No one has measured it."}
      </p>
      <WhatIsReady said={view.said} />
      {isNow ? null : <ShownDay view={view} />}
      <div className="mt-1 flex flex-wrap gap-x-6 no-print [&>details[open]]:basis-full">
        {member.roles.some((role) => role !== "visitor" && role !== "keeper") ? <MeasureSize view={view} /> : null}
        {specialist ? <SayReady view={view} /> : null}
        <OtherDay view={view} stage={ask.stage} />
      </div>
      <Others view={view} />
      {view.reasons.length > 0 ? (
        <div role="alert" className="border-2 border-[var(--ink)] p-4 mt-4 max-w-[70ch]">
          <strong>No work can be planned now.</strong>
          <ul className="mt-1">
            {view.reasons.map((reason) => (
              <li key={reason.code} className="py-1">
                {reason.what}{" "}
                {reason.code === "verdict" ? "A specialist may overrule it in writing on the finding." : ""}
                {reason.code === "report" ? <Link href={`/findings/${view.findingId}`}>Report it.</Link> : null}
              </li>
            ))}
          </ul>
        </div>
      ) : null}
      {view.overruling ? (
        <Notice grave className="mt-4 max-w-[70ch]">
          <strong>Overruled in writing</strong> by {view.overruling.by}: “{view.overruling.reason}”
        </Notice>
      ) : null}
      <div className="mt-4">
        {(["eligible", "not-now", "never"] as const).map((answer) => {
          const own = view.advice.filter((a) => a.answer === answer);
          return own.length === 0 ? null : (
            <section key={answer} className="mt-6">
              <h2 className="ruled">
                {(isNow ? ANSWERS : ANSWERS_THEN)[answer]}
                <span className="small">{own.length}</span>
              </h2>
              <ul>
                {own.map((a) => (
                  <MethodEntry
                    key={a.method.id}
                    advice={a}
                    view={view}
                    mayPlan={specialist && isNow && view.reasons.length === 0}
                    afterCheck={after}
                  />
                ))}
              </ul>
            </section>
          );
        })}
      </div>
      {view.remains.length > 0 ? (
        <section className="mt-6 max-w-[70ch]">
          <h2 className="ruled">What its remains need</h2>
          <ul>
            {view.remains.map((need) => (
              <li key={need} className="row py-2">
                {need}
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      <p className="small mt-6 max-w-[70ch]">
        No product is recommended here. The label, local law, its rules for waste too, and a licensed professional take
        precedence over this program.
      </p>
    </div>
  );
}
/** How much stands there is asked first: most methods depend on it. */
const MeasureSize = ({ view }: { view: PlanningView }) => (
  <Disclosure summary={<PlainAction>{view.sizeSeen ? "Measure it again" : "Say how much stands here"}</PlainAction>}>
    <SizeForm action={sizeAction} patchId={view.patchId} today={view.today} size={view.sizeSeen ?? {}} />
  </Disclosure>
);

/** Work that someone has planned on this patch already. */
const Others = ({ view }: { view: PlanningView }) =>
  view.others.length === 0 ? null : (
    <Notice grave className="mt-4 max-w-[70ch]">
      <strong>Already planned on this patch:</strong>
      <ul>
        {view.others.map((other) => (
          <li key={other.id}>
            <Link href={`/season/plan/${other.id}`} className="tap">
              {other.method}
            </Link>
            , {fullDay(other.intendedOn)}, {other.person}. {other.madeBy} planned it.
          </li>
        ))}
      </ul>
    </Notice>
  );
