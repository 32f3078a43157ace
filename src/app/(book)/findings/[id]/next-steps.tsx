import { Disclosure } from "@/components/ui/disclosure";
import { Button, LinkButton } from "@/components/ui/button";
import { v7 as newId } from "uuid";
import { roundPatchAction } from "@/app/actions/findings";
import { ActionForm, Field } from "@/components/ui/action-form";
import { GROUND_PER_PLANT_M2 } from "@/contracts/ground";
import type { FindingLine } from "@/server/findings/findings";

/** What can be done with a finding, by this person. */
export function NextSteps({ line, specialist, mayMark }: { line: FindingLine; specialist: boolean; mayMark: boolean }) {
  const mayPlan = line.verdict === "clear" || line.overruled;
  return (
    <>
      <h2 className="ruled">What comes next</h2>
      <ul className="mt-2 flex flex-wrap gap-2 no-print">
        {line.patchId ? (
          <li>
            <LinkButton href={`/ground/patch/${line.patchId}`}>The patch</LinkButton>
          </li>
        ) : (
          <li>
            <LinkButton look="press" href={`/ground?draw=${line.id}`}>
              Mark the patch
            </LinkButton>
          </li>
        )}
        {mayPlan && line.patchId ? (
          <li>
            <LinkButton look="press" href={`/season/${line.id}`}>
              What can be done
            </LinkButton>
          </li>
        ) : null}
        <li>
          <LinkButton href={`/bench?site=${line.siteId}${line.patchId ? `&patch=${line.patchId}` : ""}`}>
            Identify another plant here
          </LinkButton>
        </li>
      </ul>
      {!line.patchId && line.taxon && mayMark ? <RoundPatch line={line} /> : null}
      {mayPlan ? null : (
        <p className="mt-3">
          No work can be planned on this: the verdict is not clear to act.{" "}
          {specialist
            ? "A specialist may overrule it in writing, below."
            : "Only a specialist may overrule it, in writing."}
        </p>
      )}
    </>
  );
}

/** A patch about the finding's point, where drawing one is not worth it. */
const RoundPatch = ({ line }: { line: FindingLine }) => (
  <Disclosure className="mt-3 no-print" summary="Make the patch without drawing it">
    <p className="small mt-2">
      The patch is centered on the point of the finding. Give its area, or the number of plants. Each plant then counts
      as {GROUND_PER_PLANT_M2} m² of ground to work on.
    </p>
    <ActionForm action={roundPatchAction} label="Patch without drawing" className="mt-2 flex flex-wrap gap-4 items-end">
      <input type="hidden" name="id" value={newId()} />
      <input type="hidden" name="findingId" value={line.id} />
      <Field name="name" label="Name of the patch">
        <input name="name" defaultValue={`F-${line.number}`} />
      </Field>
      <Field name="areaM2" label="Area, m²">
        <input name="areaM2" inputMode="decimal" className="figure" />
      </Field>
      <Field name="plants" label="or number of plants">
        <input name="plants" inputMode="numeric" className="figure" />
      </Field>
      <Button type="submit" look="press">
        Make the patch
      </Button>
    </ActionForm>
  </Disclosure>
);
