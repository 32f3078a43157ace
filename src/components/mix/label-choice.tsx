import { askLabel, type LabelUse } from "@/core/records";
import { Notice } from "../ui/notice";
import { Options } from "../ui/options";
import type { Label } from "./tank-mix";
import type { Mix } from "./use-mix";

/** Chooses one of the labels that the district typed in. */
export const LabelChoice = ({
  mix,
  field,
  labels,
  className = "",
}: {
  mix: Mix;
  field: string;
  labels: Label[];
  className?: string;
}) =>
  labels.length === 0 ? null : (
    <label className={`field ${className}`}>
      <span className="label">Label, as this district typed it in</span>
      <select value={mix.typed[field] ?? ""} onChange={(e) => mix.type(field, e.target.value)}>
        <Options none="another label: read its maximum yourself" choices={labels} />
      </select>
    </label>
  );

/** What the labels say against the place and the plant of the plan, and what has to be asked; nothing where there is no plan. */
export function LabelSays({ labels, use }: { labels: Label[]; use: LabelUse | undefined }) {
  if (!use) return null;
  const said = labels.map(({ name, limits }) => ({ name, ...askLabel(limits, use) }));
  const against = said.flatMap(({ name, against: of }) => of.map((what) => `${name}: ${what}`));
  const ask = said.flatMap(({ name, ask: of }) => of.map((what) => `${name}: ${what}`));
  return (
    <>
      {against.map((what) => (
        <Notice key={what} grave className="mt-4 max-w-[60ch]">
          <strong>Do not use this here.</strong> {what}
        </Notice>
      ))}
      {ask.map((what) => (
        <Notice key={what} className="mt-4 max-w-[60ch]">
          {what}
        </Notice>
      ))}
    </>
  );
}

/** Whether a label leaves out the place of the plan: then nothing is worked out with it. */
export const isAgainst = (labels: Label[], use: LabelUse | undefined): boolean =>
  use !== undefined && labels.some(({ limits }) => askLabel(limits, use).against.length > 0);
