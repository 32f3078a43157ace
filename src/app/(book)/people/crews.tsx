import { v7 as newId } from "uuid";
import { crewAction, endCrewAction } from "@/app/actions/season";
import { ActionForm, Fault, Field } from "@/components/ui/action-form";
import { Button } from "@/components/ui/button";
import { Disclosure, PlainAction } from "@/components/ui/disclosure";
import { Section } from "@/components/ui/page";
import type { CrewLine } from "@/server/people/crews";

interface Person {
  personId: string;
  name: string;
}

/** Crews with their people; whoever plans may make, change and end them. */
export const Crews = ({ crews, people, mayPlan }: { crews: CrewLine[]; people: Person[]; mayPlan: boolean }) => (
  <Section title="Crews" aside="people who go out together" className="mt-8">
    <ul>
      {crews.map((crew) => (
        <li key={crew.id} className="row py-3">
          <p>
            <span className="font-semibold">{crew.name}</span>{" "}
            <span className="small">
              {people
                .filter((p) => crew.memberIds.includes(p.personId))
                .map((p) => p.name)
                .join(", ")}
            </span>
          </p>
          {mayPlan ? (
            <Disclosure summary={<PlainAction>Change</PlainAction>} look="small">
              <CrewForm id={crew.id} crew={crew} people={people} />
              <ActionForm action={endCrewAction} label={`End ${crew.name}`} className="mt-3">
                <input type="hidden" name="id" value={crew.id} />
                <Button type="submit" look="plain">
                  {crew.name} goes out no more
                </Button>
              </ActionForm>
            </Disclosure>
          ) : null}
        </li>
      ))}
      {crews.length === 0 ? <li className="small py-3">There is no crew yet.</li> : null}
    </ul>
    {mayPlan ? (
      <Disclosure summary={<PlainAction>Make a crew</PlainAction>}>
        <CrewForm id={newId()} people={people} />
      </Disclosure>
    ) : null}
  </Section>
);

const CrewForm = ({ id, crew, people }: { id: string; crew?: CrewLine; people: Person[] }) => (
  <ActionForm action={crewAction} label={crew ? `The crew ${crew.name}` : "A new crew"} className="grid gap-3">
    <input type="hidden" name="id" value={id} />
    <Field name="name" label="Name of the crew">
      <input name="name" defaultValue={crew?.name ?? ""} />
    </Field>
    <fieldset className="flex flex-wrap gap-x-4">
      <legend className="small">Who goes along</legend>
      {people.map((p) => (
        <label key={p.personId} className="tick">
          <input
            type="checkbox"
            name="memberIds"
            value={p.personId}
            defaultChecked={crew?.memberIds.includes(p.personId) ?? false}
          />
          {p.name}
        </label>
      ))}
    </fieldset>
    <Fault name="memberIds" />
    <Button type="submit" className="justify-self-start">
      Save the crew
    </Button>
  </ActionForm>
);
