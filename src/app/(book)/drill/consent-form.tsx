"use client";
import { sayConsentAction } from "@/app/actions/drill";
import { ActionForm } from "@/components/ui/action-form";
import { Button } from "@/components/ui/button";

/** A learner's own word on whether a specialist sees their answers. */
export const ConsentForm = ({ consents }: { consents: boolean }) => (
  <section aria-labelledby="consent" className="mt-6">
    <h2 className="ruled" id="consent">
      Who sees your answers
    </h2>
    <p className="mt-2 max-w-[60ch]">
      {consents
        ? "The specialists of your district see your answers, with your name."
        : "Nobody sees your answers. Where a specialist asks for a set, Today says who has not passed it."}
    </p>
    <ActionForm action={sayConsentAction} label="Who sees your answers" className="mt-2">
      <input type="hidden" name="consents" value={consents ? "no" : "yes"} />
      <Button type="submit">{consents ? "Hide my answers" : "Show my answers to specialists"}</Button>
    </ActionForm>
  </section>
);
