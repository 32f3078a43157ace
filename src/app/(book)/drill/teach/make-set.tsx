"use client";
import { useState } from "react";
import { drillSetAction } from "@/app/actions/drill";
import { ActionForm, Fault, Field } from "@/components/ui/action-form";
import { Button } from "@/components/ui/button";
import { Combobox } from "@/components/ui/combobox";
import { DayInput } from "@/components/ui/day-field";
import { STAGE_WORDS } from "@/components/words/stages";
import { STAGES } from "@/core/flora";

interface Plant {
  id: string;
  plain: string;
  latin: string;
}

/** A set for the district: filled from a set of the flora, a site or a season, then plant by plant. */
export function MakeSet({
  id,
  plants,
  fills,
}: {
  /** the id that the set will have */
  id: string;
  plants: Plant[];
  fills: { group: string; name: string; taxa: string[] }[];
}) {
  const [chosen, setChosen] = useState<string[]>([]);
  const plainOf = new Map(plants.map((plant) => [plant.id, plant.plain]));
  const add = (ids: string[]) => setChosen((now) => [...new Set([...now, ...ids])].slice(0, MOST_PLANTS));
  const groups = [...new Set(fills.map(({ group }) => group))];
  return (
    <ActionForm action={drillSetAction} label="Make a set" className="grid gap-3 mt-2">
      <input type="hidden" name="id" value={id} />
      <Field name="name" label="Name of the set">
        <input name="name" maxLength={120} />
      </Field>
      <div className="grid sm:grid-cols-2 gap-3">
        <Field name="stage" label="Stage">
          <select name="stage">
            <option value="">every stage</option>
            {STAGES.map((stage) => (
              <option key={stage} value={stage}>
                {STAGE_WORDS[stage]}
              </option>
            ))}
          </select>
        </Field>
        <Field name="due" label="Due, if there is a date">
          <DayInput name="due" value="" label="Due" />
        </Field>
      </div>
      <label className="field">
        <span className="label">Add many plants at once</span>
        <select
          value=""
          onChange={(e) => {
            const fill = fills[Number(e.target.value)];
            if (e.target.value !== "" && fill) add(fill.taxa);
          }}
        >
          <option value="">choose a set, a site or a month</option>
          {groups.map((group) => (
            <optgroup key={group} label={group}>
              {fills.map((fill, i) =>
                fill.group === group ? (
                  <option key={`${group} ${fill.name}`} value={i}>
                    {fill.name} ({fill.taxa.length})
                  </option>
                ) : null,
              )}
            </optgroup>
          ))}
        </select>
      </label>
      <Combobox
        key={chosen.length}
        label="Add one plant"
        choices={plants.map((plant) => ({ value: plant.id, words: plant.plain, also: plant.latin }))}
        value=""
        onChange={(taxon) => taxon && add([taxon])}
        fault="No plant in the flora has that name."
      />
      <div data-field="taxa">
        <p className="small">{chosen.length === 0 ? "No plant is chosen yet." : `${chosen.length} plants:`}</p>
        <ul className="flex flex-wrap gap-1">
          {chosen.map((taxon) => (
            <li key={taxon}>
              <input type="hidden" name="taxa" value={taxon} />
              <button
                type="button"
                className="button pill !py-0"
                aria-label={`Take ${plainOf.get(taxon)} out`}
                onClick={() => setChosen((now) => now.filter((one) => one !== taxon))}
              >
                {plainOf.get(taxon)} ×
              </button>
            </li>
          ))}
        </ul>
        <Fault name="taxa" />
      </div>
      <label className="tick">
        <input type="checkbox" name="required" value="yes" />
        Clear findings of these plants wait for a specialist until their finder has passed this set
      </label>
      <p>
        <Button type="submit" look="press">
          Make the set
        </Button>
      </p>
    </ActionForm>
  );
}

const MOST_PLANTS = 200;
