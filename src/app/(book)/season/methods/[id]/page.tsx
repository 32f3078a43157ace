import Link from "next/link";
import { notFound } from "next/navigation";
import { giveUpOwnMethodAction, ownMethodAction } from "@/app/actions/season";
import { ActionForm, Field } from "@/components/ui/action-form";
import { Button } from "@/components/ui/button";
import { Disclosure, PlainAction } from "@/components/ui/disclosure";
import { Notice } from "@/components/ui/notice";
import { Item, PageHead, Section } from "@/components/ui/page";
import { fullDay } from "@/components/words/dates";
import { KIND_WORDS } from "@/components/words/method-words";
import {
  departures,
  lifeFormsWords,
  monthsWords,
  mustWords,
  ruleWords,
  stagesWords,
} from "@/components/words/rule-words";
import { type Method, writtenMethod } from "@/core/control";
import { shippedMethodBook } from "@/server/flora/method-book";
import { kitNames, type MethodPage, methodPages, wordsOn } from "@/server/flora/own-methods";
import { memberOrSignIn } from "@/server/platform/session";

export const metadata = { title: "Method" };

export default async function OneMethodPage({ params }: { params: Promise<{ id: string }> }) {
  const member = await memberOrSignIn();
  const { id } = await params;
  const pages = await methodPages(member);
  const page = pages.find(({ method }) => method.id === id);
  const specialist = member.roles.includes("specialist");
  if (!page && !(id === "new" && specialist)) notFound();
  return (
    <div className="px-4 md:px-6 py-5 max-w-[980px]">
      <PageHead
        above={<Link href="/season/methods">Methods</Link>}
        title={page?.method.name ?? "A method of this district"}
      >
        {page ? (
          <p className="text-[var(--soft)]">
            {KIND_WORDS[page.method.kind]}, for {lifeFormsWords(page.method["life-forms"])}
          </p>
        ) : null}
      </PageHead>
      {page ? (
        <>
          <Own page={page} />
          <Facts method={page.method} />
        </>
      ) : null}
      {specialist ? <Forms page={page} /> : null}
      {page ? <Words words={await wordsOn(member, id)} /> : null}
    </div>
  );
}

/** Where this district's word departs from the shipped method. */
const Own = ({ page: { method, shipped, own } }: { page: MethodPage }) => {
  if (!own?.body) return null;
  const { added, gone } = shipped ? departures(method, shipped) : { added: [], gone: [] };
  return (
    <Notice grave className="mt-4 max-w-[80ch]">
      <strong>{shipped ? "This district does it otherwise" : "This district added this method"}:</strong> “{own.reason}”{" "}
      {own.by}, {fullDay(own.at.toISOString())}.
      {added.length > 0 ? <p className="mt-2 font-semibold">Here, and not in the shipped method:</p> : null}
      <ul className="list-disc pl-5">
        {added.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      {gone.length > 0 ? <p className="mt-2 font-semibold">In the shipped method, and not here:</p> : null}
      <ul className="list-disc pl-5">
        {gone.map((line) => (
          <li key={line}>
            <s>{line}</s>
          </li>
        ))}
      </ul>
    </Notice>
  );
};

const Facts = ({ method }: { method: Method }) => {
  const { known } = shippedMethodBook().vocabulary;
  return (
    <>
      <div className="mt-4 grid grid-cols-2 md:grid-cols-4 gap-x-8 gap-y-3">
        <Item name="Stages">{stagesWords(method.stages)}</Item>
        <Item name="Months, north">{monthsWords(method.months)}</Item>
        <Item name="People">{method.people}</Item>
        <Item name="Pace">
          {method.pace["stems-per-hour"] ? `${method.pace["stems-per-hour"]} stems an hour, else ` : ""}
          {method.pace["m2-per-hour"]} m² an hour
        </Item>
      </div>
      <Section title="Cautions">
        <Plain lines={method.cautions} />
      </Section>
      <Section title="When it is not done">
        <Plain lines={method.rules.map(ruleWords)} />
      </Section>
      {method.must.length + method["must-when"].length > 0 ? (
        <Section title="What must be true">
          <Plain lines={mustWords(method, known)} />
        </Section>
      ) : null}
      {method.schools.map(({ sides }) => (
        <Section key={sides[0]} title="Practitioners differ">
          <Plain lines={sides} />
        </Section>
      ))}
      <Section title="What follows">
        <Plain
          lines={method.follows.map(({ what, "after-days": [low, high] }) =>
            high === 0 ? `${what} At once.` : `${what} After ${low === high ? low : `${low} to ${high}`} days.`,
          )}
        />
      </Section>
      <Section title="Take along">
        <Plain lines={[kitNames(method).join(", ") || "nothing"]} />
      </Section>
    </>
  );
};

const Plain = ({ lines }: { lines: string[] }) => (
  <ul>
    {lines.map((line) => (
      <li key={line} className="row py-1.5">
        {line}
      </li>
    ))}
  </ul>
);

const BEGIN = `id: own-
name: ""
kind: hand
life-forms: [herb]
stages: [vegetative]
months: "3-10"
rules: []
must: []
follows:
  - { what: "Check for plants that were missed.", after-days: [28, 42] }
cautions: ["Wear gloves."]
kit: [gloves]
people: 1
pace: { m2-per-hour: 50 }
prefer: []
`;

/** The method as its file writes it, to be amended; what is wrong is said by its line. */
const Forms = ({ page }: { page: MethodPage | undefined }) => (
  <div className="mt-6 no-print">
    <Disclosure summary={<PlainAction>{page ? "Amend it for this district …" : "Write it"}</PlainAction>}>
      <ActionForm action={ownMethodAction} label="The district’s own word" className="grid gap-3">
        <Field name="body" label="The method, in the form of its file">
          <textarea
            name="body"
            rows={24}
            className="font-mono text-[14px]"
            defaultValue={page ? writtenMethod(shippedMethodBook(), page.method) : BEGIN}
          />
        </Field>
        <Field name="reason" label="Why this district does it so">
          <input name="reason" />
        </Field>
        <p>
          <Button type="submit" look="press">
            Save the district’s word
          </Button>
        </p>
      </ActionForm>
    </Disclosure>
    {page?.own?.body ? (
      <Disclosure summary={<PlainAction>Take the district’s word back …</PlainAction>}>
        <ActionForm action={giveUpOwnMethodAction} label="Take it back" className="grid gap-3 max-w-[60ch]">
          <input type="hidden" name="methodId" value={page.method.id} />
          <Field name="reason" label="Why">
            <input name="reason" />
          </Field>
          <p>
            <Button type="submit">Take it back</Button>
          </p>
        </ActionForm>
      </Disclosure>
    ) : null}
  </div>
);

const Words = ({ words }: { words: Awaited<ReturnType<typeof wordsOn>> }) =>
  words.length === 0 ? null : (
    <Section title="What this district has said of it">
      <ul>
        {words.map((word) => (
          <li key={word.id} className="row py-2">
            {word.given ? "Its own word" : "Taken back"}: “{word.reason}”{" "}
            <span className="small">
              {word.by}, {fullDay(word.at.toISOString())}
            </span>
          </li>
        ))}
      </ul>
    </Section>
  );
