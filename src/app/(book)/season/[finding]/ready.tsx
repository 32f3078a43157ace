import { v7 as newId } from "uuid";
import { wordAction } from "@/app/actions/season";
import { ActionForm, Field } from "@/components/ui/action-form";
import { Button } from "@/components/ui/button";
import { DayInput } from "@/components/ui/day-field";
import { Disclosure, PlainAction } from "@/components/ui/disclosure";
import { fullDay } from "@/components/words/dates";
import type { PlanningView } from "@/server/control/planning";

/** What a specialist has said of permits, water and ground: some methods wait for it. */
export const WhatIsReady = ({ said }: Pick<PlanningView, "said">) =>
  said.length === 0 ? null : (
    <ul className="mt-2 max-w-[80ch]" aria-label="What is ready">
      {said.map(({ word, holds, text, by, day, until }) => (
        <li key={word}>
          <strong>{holds ? "Yes" : "No"}:</strong> {text}{" "}
          <span className="small">
            {by}, {fullDay(day)}. It counts until {fullDay(until)}.
          </span>
        </li>
      ))}
    </ul>
  );

/** Says what is ready, or that it is not, in the specialist's name. */
export const SayReady = ({ view }: { view: PlanningView }) => (
  <Disclosure summary={<PlainAction>Say what is ready here</PlainAction>}>
    <ActionForm action={wordAction} renew label="Say what is ready" className="grid gap-3 max-w-[70ch]">
      <input type="hidden" name="id" value={newId()} />
      <input type="hidden" name="patchId" value={view.patchId} />
      <Field name="word" label="What a method waits for">
        <select name="word">
          {view.mayBeSaid.map(({ word, text }) => (
            <option key={word} value={word}>
              {text}
            </option>
          ))}
        </select>
      </Field>
      <Field name="holds" label="Is it true here?">
        <select name="holds">
          <option value="yes">yes</option>
          <option value="no">no</option>
        </select>
      </Field>
      <Field name="day" label="Since">
        <DayInput name="day" label="day since when" value={view.today} max={view.today} />
      </Field>
      <p>
        <Button type="submit">Note it in my name</Button>
      </p>
    </ActionForm>
  </Disclosure>
);
