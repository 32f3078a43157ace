import Link from "next/link";
import { seasonAction, settingsAction } from "@/app/actions/people";
import { ActionForm, Field } from "@/components/ui/action-form";
import { Button } from "@/components/ui/button";
import { PageHead, Section } from "@/components/ui/page";
import { shortDay } from "@/components/words/dates";
import { type DistrictSettings, RECORD_FIELDS, UNITS, WINDS } from "@/contracts/stored";
import { seasonOf, settingsOf } from "@/server/ground/district";
import { memberOrSignIn } from "@/server/platform/session";

export const metadata = { title: "Settings" };

const UNIT_WORDS: Record<(typeof UNITS)[number], string> = {
  metric: "metric: m², L, °C",
  us: "US: acre, US gallon, °F",
  imperial: "imperial: acre, imperial gallon, °C",
};
const FIELD_WORDS: Record<(typeof RECORD_FIELDS)[number], string> = {
  equipment: "equipment",
  windMS: "wind speed",
  windFrom: "wind direction",
  temperatureC: "temperature",
  note: "a note",
};
const MONTHS = "January February March April May June July August September October November December".split(" ");

export default async function SettingsPage() {
  const member = await memberOrSignIn();
  if (!member.roles.includes("keeper"))
    return (
      <div className="p-6">
        <h1>Settings</h1>
        <p className="mt-3">A keeper changes the settings of the district.</p>
      </div>
    );
  const [view, season] = [await settingsOf(member), await seasonOf(member)];
  return (
    <div className="px-4 md:px-6 py-5 max-w-[980px]">
      <PageHead above={<Link href="/people">People</Link>} title="Settings of the district" />
      <ActionForm action={settingsAction} label="Settings" className="grid gap-4 mt-3">
        <input type="hidden" name="version" value={view.version} />
        <Names view={view} />
        <Records settings={view.settings} />
        <Winds winds={view.settings.winds} />
        <Button type="submit" look="press" className="justify-self-start">
          Save
        </Button>
      </ActionForm>
      <SeasonHere season={season} />
    </div>
  );
}

const Names = ({ view }: { view: Awaited<ReturnType<typeof settingsOf>> }) => (
  <div className="grid sm:grid-cols-3 gap-5">
    <Field name="name" label="Name of the district">
      <input name="name" defaultValue={view.name} />
    </Field>
    <Field name="zone" label="Time zone">
      <input name="zone" defaultValue={view.zone} />
    </Field>
    <Field name="settings.units" label="Units shown first">
      <select name="units" defaultValue={view.settings.units}>
        {UNITS.map((units) => (
          <option key={units} value={units}>
            {UNIT_WORDS[units]}
          </option>
        ))}
      </select>
    </Field>
  </div>
);

const Records = ({ settings }: { settings: DistrictSettings }) => (
  <>
    <div className="grid sm:grid-cols-2 gap-5">
      <Field
        name="settings.findingSeasons"
        label="Seasons in which a finding counts"
        hint="after its own; then the plant is checked again before work"
      >
        <input name="findingSeasons" inputMode="numeric" defaultValue={settings.findingSeasons} />
      </Field>
      <Field name="settings.reportTo" label="Reports go to" hint="an email address; empty: reports are printed">
        <input name="reportTo" type="email" defaultValue={settings.reportTo} />
      </Field>
    </div>
    <fieldset className="flex flex-wrap gap-x-4">
      <legend className="small">Every record needs these too</legend>
      {RECORD_FIELDS.map((field) => (
        <label key={field} className="tick">
          <input
            type="checkbox"
            name="requiredFields"
            value={field}
            defaultChecked={settings.requiredFields.includes(field)}
          />
          {FIELD_WORDS[field]}
        </label>
      ))}
    </fieldset>
  </>
);

const Winds = ({ winds }: { winds: DistrictSettings["winds"] }) => (
  <fieldset>
    <legend className="small">The usual wind of each month. The record form shows it.</legend>
    <div className="grid grid-cols-2 sm:grid-cols-4 lg:grid-cols-6 gap-x-5 gap-y-2 mt-1">
      {MONTHS.map((month, i) => (
        <Field key={month} name={`settings.winds.${i}`} label={month}>
          <select name={`wind-${i + 1}`} defaultValue={winds[i] ?? ""}>
            <option value="">not said</option>
            {WINDS.map((wind) => (
              <option key={wind} value={wind}>
                {wind}
              </option>
            ))}
          </select>
        </Field>
      ))}
    </div>
  </fieldset>
);

const SeasonHere = ({ season }: { season: Awaited<ReturnType<typeof seasonOf>> }) => (
  <Section title="The season here" className="mt-8">
    <p className="mt-2">
      The calendars of the flora are for the lowlands of the temperate north. Where spring comes later, fall comes
      earlier by as many days. Plant stages, treatment windows and “come back from” dates shift with it.
    </p>
    <ActionForm action={seasonAction} label="The season here" className="grid gap-4 mt-3">
      <input type="hidden" name="version" value={season.version} />
      <div className="grid sm:grid-cols-2 gap-5">
        <Field
          name="seasonShift"
          label="Spring comes later by, in days"
          hint="below 0 if it comes earlier; about 10 days for each 300 m of elevation"
        >
          <input name="seasonShift" inputMode="numeric" defaultValue={season.seasonShift} required />
        </Field>
        <Field name="hemisphere" label="Hemisphere">
          <select name="hemisphere" defaultValue={season.hemisphere}>
            <option value="north">North</option>
            <option value="south">South</option>
          </select>
        </Field>
      </div>
      <Button type="submit" className="justify-self-start">
        Save
      </Button>
    </ActionForm>
    {season.examples.length > 0 ? (
      <p className="mt-3">
        With this setting, {season.examples.map((e) => `${e.plant} flowers from ${shortDay(e.from)}`).join("; ")}.
      </p>
    ) : null}
  </Section>
);
