"use client";

import { Button } from "../ui/button";
import { useEffect } from "react";
import { amendPreviewSchema } from "@/contracts/work";
import { WorkProgress } from "../control/work-progress";
import { useLongWork } from "../device/use-long-work";
import { ActionForm, type FormAction } from "../ui/action-form";
import { VerdictChanges } from "../verdict/verdict-changes";

/** Which findings an amendment of one score would change; then, if wanted, it is made. */
export function AmendPreview({
  amendment,
  reason,
  now,
  back,
  action,
}: {
  amendment: { taxon: string; key: string; value: string | null };
  reason: string;
  now: string | null;
  back: string;
  action: FormAction;
}) {
  const { work, begin, callOff } = useLongWork(amendPreviewSchema);
  const asked = JSON.stringify(amendment);
  useEffect(() => {
    begin("amend-preview", JSON.parse(asked));
  }, [asked, begin]);
  if (work.at !== "done") return <WorkProgress work={work} onCallOff={callOff} />;
  return (
    <div className="mt-6">
      <VerdictChanges changed={work.result.changed} judged={work.result.judged} />
      <p className="mt-4">
        {now ?? "not recorded"} → <strong>{amendment.value ?? "not recorded"}</strong>
      </p>
      <ActionForm action={action} label="Make the amendment" className="mt-3">
        {Object.entries({ ...amendment, value: amendment.value ?? "", reason, back }).map(([name, value]) => (
          <input key={name} type="hidden" name={name} value={value} />
        ))}
        <Button type="submit" look="press">
          Make the amendment
        </Button>
      </ActionForm>
    </div>
  );
}
