import { Button } from "@/components/ui/button";
import Link from "next/link";
import { forgotAction } from "@/app/actions/account";
import { ActionForm, Field } from "@/components/ui/action-form";
import { Cover } from "@/components/verdict/cover";

export const metadata = { title: "Forgot your password" };

export default function ForgotPage() {
  return (
    <Cover title="A new password">
      <p className="mt-3">
        Give the address that you sign in with. An email brings you a link to choose a new password.
      </p>
      <ActionForm action={forgotAction} label="Ask for a link" className="mt-5 grid gap-4">
        <Field name="email" label="Email">
          <input name="email" type="email" autoComplete="username" required />
        </Field>
        <Button type="submit" look="press">
          Send me a link
        </Button>
      </ActionForm>
      <p className="small mt-4">
        <Link href="/sign-in">Back to sign-in</Link>
      </p>
    </Cover>
  );
}
