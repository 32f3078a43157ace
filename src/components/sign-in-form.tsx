"use client";
import { useRef } from "react";
import { ActionForm, Field, type FormAction } from "./ui/action-form";

/** Sign-in; in the demonstration each sample person is one tap. */
export function SignInForm({
  action,
  offered,
  password,
}: {
  action: FormAction;
  offered: { email: string; name: string; what: string }[];
  password: string;
}) {
  const email = useRef<HTMLInputElement>(null);
  const secret = useRef<HTMLInputElement>(null);
  const take = (address: string) => {
    if (!email.current || !secret.current) return;
    email.current.value = address;
    secret.current.value = password;
    email.current.form?.requestSubmit();
  };
  return (
    <>
      <ActionForm action={action} label="Sign in" className="mt-5 grid gap-4">
        <Field name="email" label="E-mail">
          <input ref={email} name="email" type="email" autoComplete="username" required />
        </Field>
        <Field name="password" label="Password">
          <input ref={secret} name="password" type="password" autoComplete="current-password" required />
        </Field>
        <button type="submit" className="button press">
          Sign in
        </button>
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
