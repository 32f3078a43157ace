import { v7 as newId } from "uuid";
import { ActionForm, Field, type FormAction } from "@/components/ui/action-form";
import { Button } from "@/components/ui/button";
import { DayInput } from "@/components/ui/day-field";

interface Size {
  heightCm?: number;
  stemCm?: number;
  count?: number;
  infestedM2?: number;
}

/** How much stands on a patch: height, stem, number and area. What is left empty is not known, and that is kept too. */
export const SizeForm = ({
  action,
  patchId,
  today,
  size,
}: {
  action: FormAction;
  patchId: string;
  today: string;
  size: Size;
}) => (
  <ActionForm action={action} label="How much stands here" className="grid sm:grid-cols-3 gap-x-5 gap-y-3 mt-2">
    <input type="hidden" name="id" value={newId()} />
    <input type="hidden" name="patchId" value={patchId} />
    <Field name="heightCm" label="Height of most, cm">
      <input name="heightCm" inputMode="decimal" className="figure" defaultValue={size.heightCm} />
    </Field>
    <Field name="stemCm" label="Thickest stem at the ground, cm">
      <input name="stemCm" inputMode="decimal" className="figure" defaultValue={size.stemCm} />
    </Field>
    <Field name="count" label="Number of stems">
      <input name="count" inputMode="numeric" className="figure" defaultValue={size.count} />
    </Field>
    <Field name="infestedM2" label="Area that they cover, m²">
      <input name="infestedM2" inputMode="decimal" className="figure" defaultValue={size.infestedM2} />
    </Field>
    <Field name="day" label="Seen on">
      <DayInput name="day" label="day on which you measured" value={today} max={today} />
    </Field>
    <p className="self-end">
      <Button type="submit">Note it in my name</Button>
    </p>
    <p className="small sm:col-span-3">Leave empty what you do not know. The methods then say what must be true.</p>
  </ActionForm>
);

/** A size in a line of words. */
export function sizeWords({ heightCm, stemCm, count, infestedM2 }: Size): string {
  const said = [
    count === undefined ? "" : `${count.toLocaleString("en-US")} ${count === 1 ? "stem" : "stems"}`,
    heightCm === undefined ? "" : `${heightCm} cm high`,
    stemCm === undefined ? "" : `stems up to ${stemCm} cm thick`,
    infestedM2 === undefined ? "" : `${infestedM2.toLocaleString("en-US")} m² covered`,
  ].filter(Boolean);
  return said.length > 0 ? said.join(", ") : "nothing is known";
}
