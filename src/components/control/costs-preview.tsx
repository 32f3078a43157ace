"use client";

import { Button } from "../ui/button";
import { useEffect } from "react";
import { costsPreviewSchema } from "@/contracts/work";
import { useLongWork } from "../device/use-long-work";
import { ActionForm, type FormAction } from "../ui/action-form";
import { TapePiece } from "../verdict/marks";
import { VerdictChanges } from "../verdict/verdict-changes";
import { percentOf } from "../words/dates";
import { WorkProgress } from "./work-progress";

/** What other costs would do to the standard examples and to the district's findings; then, if wanted, they are saved. */
export function CostsPreview({
  input,
  version,
  action,
}: {
  input: Record<string, number>;
  version: number;
  action: FormAction;
}) {
  const { work, begin, callOff } = useLongWork(costsPreviewSchema);
  const asked = JSON.stringify(input);
  useEffect(() => {
    begin("costs-preview", JSON.parse(asked));
  }, [asked, begin]);
  if (work.at !== "done") return <WorkProgress work={work} onCallOff={callOff} />;
  const preview = work.result;
  return (
    <section className="mt-6" aria-label="What these costs would do">
      <p className="text-[18px]" role="status">
        The limit would go from <span className="figure">{percentOf(preview.limitBefore)}</span> to{" "}
        <strong className="figure">{percentOf(preview.limitAfter)}</strong>.
        {preview.limitAfter >= 0.02 ? " It stays at 2%, whatever a missed target costs." : ""}
      </p>
      <h2 className="ruled mt-4">Standard examples</h2>
      <table className="w-full text-left">
        <thead>
          <tr className="small">
            <th scope="col">What was seen</th>
            <th scope="col">Now</th>
            <th scope="col">With these costs</th>
          </tr>
        </thead>
        <tbody>
          {preview.examples.map((e) => (
            <tr key={e.name} className="row align-top">
              <th scope="row" className="font-normal py-2 pr-3">
                {e.name}
              </th>
              <td className="py-2">
                <TapePiece verdict={e.before.verdict} /> <span className="small">{e.before.name}</span>
              </td>
              <td className="py-2">
                <TapePiece verdict={e.after.verdict} />{" "}
                <span className={e.before.verdict === e.after.verdict ? "small" : "font-semibold"}>{e.after.name}</span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <ActionForm action={action} label="Save these costs" className="mt-4 flex flex-wrap gap-3 items-center">
        <input type="hidden" name="version" value={version} />
        {Object.entries(input).map(([name, value]) => (
          <input key={name} type="hidden" name={name} value={value} />
        ))}
        <Button type="submit" look="press">
          Save these costs
        </Button>
      </ActionForm>
      <div className="mt-4">
        <VerdictChanges changed={preview.changed} judged={preview.judged} aside="of this district" />
      </div>
    </section>
  );
}
