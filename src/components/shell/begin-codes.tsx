"use client";

import { Button } from "../ui/button";
import { startTransition, useActionState } from "react";
import { ActionForm, type ActionState, Field, type FormAction } from "../ui/action-form";

type Begun = ActionState & { svg?: string; secret?: string };

/** Turns one-time codes on: first the password, then the picture for the authenticator, then a code of it. */
export function BeginCodes({
  begin,
  confirm,
}: {
  begin: (before: Begun, form: FormData) => Promise<Begun>;
  confirm: FormAction;
}) {
  const [begun, dispatch, pending] = useActionState(begin, { ok: false, message: "", issues: [] });
  if (!begun.svg)
    return (
      <form
        aria-label="Turn the codes on"
        className="grid sm:grid-cols-2 gap-4 items-end"
        onSubmit={(event) => {
          event.preventDefault();
          const form = new FormData(event.currentTarget);
          startTransition(() => dispatch(form));
        }}
      >
        <label className="field">
          <span className="label">Your password</span>
          <input name="password" type="password" autoComplete="current-password" required />
        </label>
        <Button type="submit" className="justify-self-start" disabled={pending}>
          Turn them on …
        </Button>
        {begun.message ? (
          <p role="alert" className="fault sm:col-span-2">
            {begun.message}
          </p>
        ) : null}
      </form>
    );
  return (
    <div className="grid gap-4 sm:grid-cols-[200px_1fr]">
      <img
        src={`data:image/svg+xml;utf8,${encodeURIComponent(begun.svg)}`}
        alt="A code for your authenticator app"
        className="w-[200px] h-[200px] bg-white"
      />
      <div>
        <p>
          Scan the picture with your authenticator, or type this into it:{" "}
          <code className="figure break-all">{begun.secret}</code>
        </p>
        <ActionForm action={confirm} label="First code" className="grid gap-4 mt-3">
          <Field name="code" label="The code it shows" hint="six digits">
            <input name="code" inputMode="numeric" autoComplete="one-time-code" className="figure" required />
          </Field>
          <Button type="submit" look="press" className="justify-self-start">
            Turn the codes on
          </Button>
        </ActionForm>
      </div>
    </div>
  );
}
