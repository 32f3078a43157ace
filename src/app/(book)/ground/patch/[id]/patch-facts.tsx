import { v7 as newId } from "uuid";
import { waterSeenAction, withdrawPatchAction } from "@/app/actions/ground";
import { sizeAction } from "@/app/actions/season";
import { SizeForm, sizeWords } from "@/components/season/size-form";
import { OutlineDrawing } from "@/components/flora/outline-drawing";
import { ActionForm, Field } from "@/components/ui/action-form";
import { Button } from "@/components/ui/button";
import { DayInput } from "@/components/ui/day-field";
import { Disclosure, PlainAction } from "@/components/ui/disclosure";
import { Row } from "@/components/ui/page";
import { areaText, fullDay } from "@/components/words/dates";
import { isTarget } from "@/core/flora";
import { waterWords } from "@/components/words/water-words";
import type { patchDetail } from "@/server/ground/ground";

type View = Awaited<ReturnType<typeof patchDetail>>;

/** Outline, size and surroundings of a patch. */
export const PatchFacts = ({ view, mayLook }: { view: View; mayLook: boolean }) => {
  const { patch } = view;
  const actedOn = isTarget(view.status);
  return (
    <>
      <OutlineDrawing kept={!actedOn} ring={patch.outline.coordinates[0] as [number, number][]} />
      <dl className="mt-3">
        <Row name="Area">
          {areaText(patch.areaM2)}
          {patch.plants ? `, ${patch.plants} ${patch.plants === 1 ? "plant" : "plants"}` : ""}
          {patch.areaFrom === "drawn" ? "" : patch.areaFrom === "typed" ? ", as typed" : ", by the number of plants"}
        </Row>
        <Row name="Cover within">
          {patch.coverShare === null ? "not recorded" : `${Math.round(patch.coverShare * 100)}%`}
        </Row>
        {patch.coverShare !== null && actedOn ? (
          <Row name="Infested area">{areaText(patch.areaM2 * patch.coverShare)}</Row>
        ) : null}
        <Row name="Nearest water">{waterWords(view.water)}</Row>
        {actedOn ? (
          <Row name="Last good day before seed">
            {view.lastBeforeSeed ? fullDay(view.lastBeforeSeed) : "none is ahead within a year"}
          </Row>
        ) : null}
        <Row name="Size">
          {view.size ? `${sizeWords(view.size)}; ${view.size.by}, ${fullDay(view.size.day)}` : "not measured"}
        </Row>
        <Row name="Marked">
          {fullDay(patch.createdAt.toISOString())}, {patch.madeBy}
        </Row>
      </dl>
      {mayLook ? (
        <>
          <WaterForm patchId={patch.id} today={view.today} />
          <Disclosure className="no-print" summary={<PlainAction>Say how much stands here</PlainAction>}>
            <SizeForm action={sizeAction} patchId={patch.id} today={view.today} size={view.size ?? {}} />
          </Disclosure>
        </>
      ) : null}
    </>
  );
};

/** What a person sees of water at the patch: it counts before the map, with the name and the day. */
const WaterForm = ({ patchId, today }: { patchId: string; today: string }) => (
  <Disclosure className="no-print" summary={<PlainAction>Say what water you see here</PlainAction>}>
    <ActionForm action={waterSeenAction} renew label="Water at the patch" className="grid gap-3">
      <input type="hidden" name="id" value={newId()} />
      <input type="hidden" name="patchId" value={patchId} />
      <Field name="kind" label="On the ground I see">
        <select name="kind" defaultValue="none">
          <option value="none">no water within</option>
          <option value="at">water at</option>
        </select>
      </Field>
      <Field name="meters" label="Distance, m">
        <input name="meters" inputMode="decimal" className="figure" />
      </Field>
      <Field name="day" label="Seen on">
        <DayInput name="day" label="day on which you looked" value={today} max={today} />
      </Field>
      <p>
        <Button type="submit">Note it in my name</Button>
      </p>
    </ActionForm>
  </Disclosure>
);

/** A patch that should not be there stays with its reason, and nothing may be done on it. */
export const WithdrawForm = ({ patchId, name }: { patchId: string; name: string }) => (
  <Disclosure className="no-print mt-3" summary={<PlainAction>Withdraw this patch …</PlainAction>}>
    <ActionForm
      action={withdrawPatchAction}
      draft={`withdraw-${patchId}`}
      label="Withdraw the patch"
      className="grid gap-3"
    >
      <input type="hidden" name="patchId" value={patchId} />
      <p className="small">
        For a patch that was drawn twice or by mistake. It stays in the records, with your reason.
      </p>
      <Field name="reason" label="Why">
        <input name="reason" />
      </Field>
      <p>
        <Button type="submit">Withdraw {name}</Button>
      </p>
    </ActionForm>
  </Disclosure>
);
