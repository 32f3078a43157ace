"use client";
import { Options } from "../ui/options";
import { useState } from "react";
import type { DrillPack } from "@/contracts/drill";
import { biasOf, cardsOf, confusionsOf, FORMS, PASS } from "@/core/drill";
import { dayWords } from "@/core/time";
import { clock } from "@/wiring/browser";
import { Button } from "../ui/button";
import { STAGE_WORDS } from "../words/stages";
import { ConfusionChart } from "./confusion-chart";
import type { DrillVocabulary } from "./drill-engine";
import { type DrillBookPack, FORM_WORDS, isForm, type Wanted } from "./wanted";

/** A sheet has thirty questions; before going out there is time for ten. */
const SHEET = 30;
const BEFORE_GOING = 10;
/** Twins shows at most so many side by side. */
const MOST_ASKED = 4;

interface Props {
  pack: DrillBookPack;
  past: DrillPack;
  asked: string[];
  vocabulary: DrillVocabulary;
  teaches: boolean;
  consent?: React.ReactNode;
  onBegin: (wanted: Wanted) => void;
}

/** What to practice, what is due, and which pairs are still mixed up. */
export function DrillHome(props: Props) {
  const { past, vocabulary, teaches, consent } = props;
  const confusions = confusionsOf(past.answers);
  return (
    <div className="px-4 md:px-6 py-4 max-w-[1180px]">
      <h1>Drill</h1>
      <p className="text-[var(--soft)] max-w-[70ch]">
        Practice until you can tell look-alikes apart. Pairs that you mix up come first. Drill works without a signal.
      </p>
      <div className="lg:grid lg:grid-cols-2 gap-8 mt-3">
        <div>
          <Asked {...props} />
          <Begin {...props} />
          <BeforeGoing {...props} />
          <Sets {...props} />
          {teaches ? (
            <p className="mt-4">
              <a className="tap" href="/drill/teach">
                Make sets, print a quiz, see results of the group
              </a>
            </p>
          ) : null}
        </div>
        <div>
          <h2 className="ruled mt-6 lg:mt-0">Pairs you mix up</h2>
          <ConfusionChart confusions={confusions} names={vocabulary.names} sets={vocabulary.sets} />
          <LastAnswers past={past} />
          {consent}
        </div>
      </div>
    </div>
  );
}

/** Plants that stood side by side on another page. */
function Asked({ asked, vocabulary, onBegin }: Props) {
  const taxa = asked.filter((id) => id in vocabulary.names).slice(0, MOST_ASKED);
  if (taxa.length === 0) return null;
  return (
    <section aria-labelledby="asked" className="mb-6">
      <h2 className="ruled" id="asked">
        {taxa.map((id) => vocabulary.names[id]).join(" or ")}
      </h2>
      <Button
        look="press"
        className="mt-3"
        onClick={() =>
          onBegin({
            scope: { kind: "plants", taxa, stage: null },
            form: "clues",
            questions: BEFORE_GOING,
            setId: null,
          })
        }
      >
        {BEFORE_GOING} questions about {taxa.length === 1 ? "this plant" : "these plants"}
      </Button>
    </section>
  );
}

function Begin({ past, onBegin }: Props) {
  const [form, setForm] = useState("");
  const now = clock.now().toISOString();
  const due = [...cardsOf(past.answers).values()].filter((card) => card.due.toISOString() <= now).length;
  return (
    <section aria-labelledby="begin">
      <h2 className="ruled" id="begin">
        A sheet of {SHEET}
      </h2>
      <p className="mt-2">
        {past.answers.length === 0
          ? "You have not practiced yet. The plants of your district’s list and their look-alikes are asked."
          : due > 0
            ? `${due} ${due === 1 ? "plant is" : "plants are"} due today.`
            : "Nothing is due today. New plants are asked."}
      </p>
      <div className="flex flex-wrap gap-3 items-end mt-2">
        <label className="field">
          <span className="label">Questions</span>
          <select value={form} onChange={(e) => setForm(e.target.value)}>
            <option value="">of every kind</option>
            {FORMS.map((one) => (
              <option key={one} value={one}>
                {FORM_WORDS[one]}
              </option>
            ))}
          </select>
        </label>
        <Button
          look="press"
          data-next
          onClick={() => onBegin({ scope: { kind: "district" }, form: isForm(form), questions: SHEET, setId: null })}
        >
          Begin
        </Button>
      </div>
    </section>
  );
}

/** What a site may meet on this day. */
function BeforeGoing({ pack, onBegin }: Props) {
  const [siteId, setSiteId] = useState(pack.sites[0]?.id ?? "");
  const site = pack.sites.find(({ id }) => id === siteId);
  if (!site) return null;
  const { climate, confirmed, costs, status, today } = pack;
  const place = {
    ...{ hemisphere: climate.hemisphere, seasonShift: climate.seasonShift, confirmed, costs },
    ...{ setting: site.setting, list: { ...status, ...site.status } },
  };
  return (
    <section aria-labelledby="before-going" className="mt-6">
      <h2 className="ruled" id="before-going">
        Five minutes before going out
      </h2>
      <p className="mt-2">
        {BEFORE_GOING} questions about what the site may have on {dayWords(today)}.
      </p>
      <div className="flex flex-wrap gap-3 items-end mt-2">
        <label className="field">
          <span className="label">Site</span>
          <select value={siteId} onChange={(e) => setSiteId(e.target.value)}>
            <Options choices={pack.sites} />
          </select>
        </label>
        <Button
          onClick={() =>
            onBegin({ scope: { kind: "site", place, day: today }, form: null, questions: BEFORE_GOING, setId: null })
          }
        >
          Begin
        </Button>
      </div>
    </section>
  );
}

/** The sets of the district, the next due first. */
function Sets({ past, vocabulary, onBegin, pack }: Props) {
  if (past.sets.length === 0) return null;
  return (
    <section aria-labelledby="sets" className="mt-6">
      <h2 className="ruled" id="sets">
        Sets of your district
      </h2>
      <ul>
        {past.sets.map(({ id, name, taxa, stage, due, requiredFor, passed }) => (
          <li key={id} className="row py-2 flex flex-wrap gap-x-4 gap-y-1 items-center">
            <span className="flex-1 min-w-[200px]">
              <strong>{name}</strong>{" "}
              <span className="small">
                {taxa.length} {taxa.length === 1 ? "plant" : "plants"}
                {stage ? `, ${STAGE_WORDS[stage].toLowerCase()}` : ""}
                {due ? `, due ${dayWords(due)}${!passed && due < pack.today ? " (late)" : ""}` : ""}
              </span>
              {requiredFor.length > 0 && !passed ? (
                <span className="small block">
                  Until you have passed it, your clear findings of{" "}
                  {requiredFor.map((one) => vocabulary.names[one] ?? one).join(", ")} wait for a specialist.
                </span>
              ) : null}
            </span>
            <span className="small">{passed ? "✓ passed" : "not passed yet"}</span>
            <Button
              onClick={() =>
                onBegin({ scope: { kind: "plants", taxa, stage }, form: null, questions: SHEET, setId: id })
              }
            >
              Practice it
            </Button>
          </li>
        ))}
      </ul>
      <p className="small mt-2">
        A set is passed when {PASS.share * PASS.answers} of your last {PASS.answers} answers to it were right.
      </p>
    </section>
  );
}

/** The last sheet, and how frames are read as a rule. */
function LastAnswers({ past }: Pick<Props, "past">) {
  const last = past.answers.slice(-SHEET);
  const bias = biasOf(past.answers);
  if (last.length === 0) return null;
  const right = last.filter((answer) => answer.right).length;
  return (
    <section aria-labelledby="last" className="mt-6">
      <h2 className="ruled" id="last">
        Your last {last.length}
        <span className="small">
          {right} right, of {past.answers.length} in all
        </span>
      </h2>
      <ol className="score-strip mt-2" aria-label={`Your last ${last.length} answers`}>
        {last.map(({ at, right: isRight, taxon }) => (
          <li key={at} className={isRight ? "cell-right" : "cell-wrong"} title={taxon}>
            <span aria-hidden>{isRight ? "✓" : "✗"}</span>
            <span className="sr-only">{isRight ? "right" : "wrong"}</span>
          </li>
        ))}
      </ol>
      {bias ? (
        <p className="mt-3 max-w-[60ch]">
          In {bias.frames} frames you said {amount(bias.cover, "percentage points of cover")} and{" "}
          {amount(bias.count, "plants")} on average. Your field records stay as you write them.
        </p>
      ) : null}
    </section>
  );
}

const amount = (off: number, what: string): string =>
  Math.abs(off) < 0.5
    ? `the right number of ${what}`
    : `${Math.abs(off).toFixed(1)} ${what} too ${off > 0 ? "many" : "few"}`;
