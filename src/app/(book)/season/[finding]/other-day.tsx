import Link from "next/link";
import { Button } from "@/components/ui/button";
import { DayInput } from "@/components/ui/day-field";
import { Disclosure, PlainAction } from "@/components/ui/disclosure";
import { Notice } from "@/components/ui/notice";
import { fullDay } from "@/components/words/dates";
import { STAGE_WORDS, WHEN } from "@/components/words/stages";
import { type Stage, STAGES } from "@/core/flora";
import type { PlanningView } from "@/server/control/planning";

/** Says that what is shown is not of today: work is planned from the page of today. */
export const ShownDay = ({ view }: { view: PlanningView }) => (
  <Notice className="mt-4 max-w-[70ch]">
    <strong>
      This is what would suit on {fullDay(view.on)}, with the plant {WHEN[view.stage]}.
    </strong>{" "}
    Work is planned from{" "}
    <Link href={`/season/${view.findingId}`} className="tap">
      the page of today
    </Link>
    .
  </Notice>
);

/** Asks for another day or stage than that of now: a season is thought about before it comes. */
export const OtherDay = ({ view, stage }: { view: PlanningView; stage: Stage | undefined }) => (
  <Disclosure summary={<PlainAction>Show another day or stage</PlainAction>}>
    <form method="get" aria-label="Another day or stage" className="flex flex-wrap gap-5 items-end">
      <label className="field">
        <span className="label">Day</span>
        <DayInput name="on" label="day to show" min={view.today} value={view.on} />
      </label>
      <label className="field">
        <span className="label">The plant then is</span>
        <select name="stage" defaultValue={stage ?? ""}>
          <option value="">as it usually is on that day</option>
          {STAGES.map((s) => (
            <option key={s} value={s}>
              {STAGE_WORDS[s]}
            </option>
          ))}
        </select>
      </label>
      <Button type="submit">Show it</Button>
    </form>
  </Disclosure>
);
