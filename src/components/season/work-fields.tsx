import { Options } from "../ui/options";
import { Field } from "@/components/ui/action-form";
import { DayInput } from "@/components/ui/day-field";
import { Disclosure, PlainAction } from "@/components/ui/disclosure";

interface Choice {
  id: string;
  name: string;
}

/** Days and people of a piece of work. What is rarely needed is folded away. */
export function WorkFields({
  window,
  days,
  personId = "",
  helperIds = [],
  crewId = "",
  people,
  everyone,
  crews,
  hint,
}: {
  window: { from: string; to: string };
  days: string[];
  personId?: string;
  helperIds?: string[];
  crewId?: string;
  people: Choice[];
  everyone: Choice[];
  crews: Choice[];
  /** the window in words */
  hint: string;
}) {
  const further = [...days.slice(1), "", "", ""].slice(0, Math.max(3, days.length));
  return (
    <>
      <Field name="intendedOn" label="Day" hint={hint}>
        <DayInput name="intendedOn" label="day of the work" min={window.from} max={window.to} value={days[0] ?? ""} />
      </Field>
      <Field name="personId" label="Person responsible">
        <select name="personId" required defaultValue={personId}>
          <Options none="choose" choices={people} />
        </select>
      </Field>
      <Disclosure className="sm:col-span-2" summary={<PlainAction>Several days, several people</PlainAction>}>
        <div className="grid sm:grid-cols-3 gap-x-5 gap-y-3">
          {further.map((day, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: the fields never change places
            <Field key={i} name="moreDays" label={`Also on, day ${i + 2}`}>
              <DayInput name="moreDays" label={`day ${i + 2}`} min={window.from} max={window.to} value={day} />
            </Field>
          ))}
        </div>
        {crews.length > 0 ? (
          <Field name="crewId" label="Crew that goes along">
            <select name="crewId" defaultValue={crewId}>
              <Options none="none" choices={crews} />
            </select>
          </Field>
        ) : null}
        <fieldset className="flex flex-wrap gap-x-4">
          <legend className="small">Who else goes along</legend>
          {everyone.map((p) => (
            <label key={p.id} className="tick">
              <input type="checkbox" name="helperIds" value={p.id} defaultChecked={helperIds.includes(p.id)} />
              {p.name}
            </label>
          ))}
        </fieldset>
      </Disclosure>
    </>
  );
}
