"use client";

import { Button } from "../ui/button";
import { useRef, useState } from "react";
import { ActionForm, Field, type FormAction } from "../ui/action-form";

/** Sign-in; in the demonstration each sample person is one tap. */
export function SignInForm({
  action,
  offered,
  password,
  email: known = "",
  next = "",
}: {
  action: FormAction;
  offered: { email: string; name: string; what: string }[];
  password: string;
  /** the address to sign in with, where it is known */
  email?: string;
  /** where to go afterward */
  next?: string;
}) {
  const email = useRef<HTMLInputElement>(null);
  const secret = useRef<HTMLInputElement>(null);
  const [wantsCode, setWantsCode] = useState(false);
  /** The field for a one-time code comes up where the answer asks for one. */
  const tried: FormAction = async (before, form) => {
    const answer = await action(before, form);
    if (answer?.issues.some((i) => i.field === "code")) setWantsCode(true);
    return answer;
  };
  const take = (address: string) => {
    if (!email.current || !secret.current) return;
    email.current.value = address;
    secret.current.value = password;
    email.current.form?.requestSubmit();
  };
  return (
    <>
      <ActionForm action={tried} label="Sign in" className="mt-5 grid gap-4">
        <input type="hidden" name="next" value={next} />
        <Field name="email" label="Email">
          <input ref={email} name="email" type="email" autoComplete="username" defaultValue={known} required />
        </Field>
        <Field name="password" label="Password">
          <input ref={secret} name="password" type="password" autoComplete="current-password" required />
        </Field>
        {wantsCode ? (
          <Field name="code" label="One-time code" hint="from your authenticator">
            <input name="code" inputMode="numeric" autoComplete="one-time-code" className="figure" />
          </Field>
        ) : null}
        <Button type="submit" look="press">
          Sign in
        </Button>
      </ActionForm>
      {offered.length > 0 ? (
        <section className="mt-8">
          <h2 className="ruled">
            Demonstration<span className="small">one tap signs you in</span>
          </h2>
          <ul>
            {offered.map((person) => (
              <li key={person.email} className="row">
                <button
                  type="button"
                  onClick={() => take(person.email)}
                  className="w-full text-left py-2 min-h-[48px] grid sm:flex sm:gap-x-3 sm:items-baseline hover:underline"
                >
                  <span className="font-semibold">{person.name}</span>
                  <span className="small">{person.what}</span>
                </button>
              </li>
            ))}
          </ul>
        </section>
      ) : null}
    </>
  );
}
