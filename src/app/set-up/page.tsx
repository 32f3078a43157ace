import { Button } from "@/components/ui/button";
import { redirect } from "next/navigation";
import { setUpAction } from "@/app/actions/account";
import { ZoneInput } from "@/components/records/zone-input";
import { ActionForm, Field } from "@/components/ui/action-form";
import { Cover } from "@/components/verdict/cover";
import { setUpIsOpen } from "@/server/people/set-up";

export const metadata = { title: "Set up" };

export default async function SetUpPage() {
  if (!(await setUpIsOpen())) redirect("/sign-in");
  return (
    <Cover title="Set up your district">
      <p className="mt-3">The code is shown in the terminal that started the program. It works once.</p>
      <ActionForm action={setUpAction} label="Set up" draft="set-up" className="mt-5 grid gap-4">
        <Field name="code" label="One-time code">
          <input name="code" autoComplete="off" className="figure uppercase" required />
        </Field>
        <Field name="districtName" label="Name of the district">
          <input name="districtName" required />
        </Field>
        <Field name="zone" label="Time zone" hint="such as America/Los_Angeles">
          <ZoneInput name="zone" />
        </Field>
        <Field name="hemisphere" label="Hemisphere">
          <select name="hemisphere" defaultValue="north">
            <option value="north">North</option>
            <option value="south">South</option>
          </select>
        </Field>
        <Field name="name" label="Your name">
          <input name="name" autoComplete="name" required />
        </Field>
        <Field name="email" label="Your email">
          <input name="email" type="email" autoComplete="username" required />
        </Field>
        <Field name="password" label="Password" hint="at least 10 letters">
          <input name="password" type="password" autoComplete="new-password" required />
        </Field>
        <Button type="submit" look="press">
          Make the district
        </Button>
      </ActionForm>
    </Cover>
  );
}
