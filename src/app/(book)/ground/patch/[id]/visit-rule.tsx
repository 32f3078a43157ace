import { v7 as newId } from "uuid";
import { goneAction } from "@/app/actions/season";
import { ActionForm, Field } from "@/components/ui/action-form";
import { Button } from "@/components/ui/button";
import { Disclosure, PlainAction } from "@/components/ui/disclosure";
import { Section } from "@/components/ui/page";
import { fullDay } from "@/components/words/dates";
import type { patchDetail } from "@/server/ground/ground";

type View = Awaited<ReturnType<typeof patchDetail>>;

/** How long the patch is visited, for how long nothing was found, and who can say that it is gone. */
export const VisitRule = ({ view, specialist }: { view: View; specialist: boolean }) => {
  const { visits, patch } = view;
  if (!visits.since && !visits.word) return null;
  return (
    <Section title="Visits" aside={foundWords(visits.seasons)}>
      <p className="py-2 max-w-[65ch]">{ruleWords(visits)}</p>
      {patch.state === "gone" ? (
        <p>
          <strong>This patch is gone.</strong>{" "}
          {visits.word
            ? `${visits.word.by}, ${fullDay(visits.word.at)}: “${visits.word.reason}”`
            : `None was found in ${visits.seasons} seasons in a row.`}
        </p>
      ) : specialist && !patch.withdrawnAt ? (
        <Disclosure className="no-print" summary={<PlainAction>Write down that it is gone …</PlainAction>}>
          <ActionForm action={goneAction} label="The patch is gone" className="grid gap-3 max-w-[60ch]">
            <input type="hidden" name="id" value={newId()} />
            <input type="hidden" name="patchId" value={patch.id} />
            <Field name="reason" label="How you know">
              <input name="reason" />
            </Field>
            <p>
              <Button type="submit">Write it in my name</Button>
            </p>
          </ActionForm>
        </Disclosure>
      ) : null}
    </Section>
  );
};

const foundWords = (seasons: number): string =>
  seasons === 0 ? "" : `none found, ${seasons} ${seasons === 1 ? "season" : "seasons"}`;

function ruleWords({ needed, lastSeason, seedYears, since }: View["visits"]): string {
  const treated = since ? `Treated last on ${fullDay(since)}. ` : "";
  if (needed === null)
    return `${treated}It is visited each year. It sprouts, grows from pieces, or the life of its seed is not recorded: only a specialist’s written word makes it gone.`;
  return `${treated}It is visited each year until ${lastSeason}. Its seed lives up to ${seedYears?.[1]} years in the ground: it is gone after clean visits in ${needed} seasons in a row.`;
}
