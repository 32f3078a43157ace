import { Button } from "@/components/ui/button";
import Link from "next/link";
import { choosePasswordAction } from "@/app/actions/account";
import { ActionForm, Field } from "@/components/ui/action-form";
import { Cover } from "@/components/verdict/cover";
import { isOpen } from "@/server/accounts/secret-links";

export const metadata = { title: "Choose a password", referrer: "no-referrer" as const };

export default async function PasswordPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  if (!(await isOpen(token, "password")))
    return (
      <Cover title="A new password">
        <p className="mt-4">
          This link is used up, too old, or not ours. <Link href="/sign-in">Ask for a new one.</Link>
        </p>
      </Cover>
    );
  return (
    <Cover title="A new password">
      <p className="mt-3">Every device on which you are signed in is signed out.</p>
      <ActionForm action={choosePasswordAction} label="Choose a password" className="mt-5 grid gap-4">
        <input type="hidden" name="token" value={token} />
        <Field name="fresh" label="New password" hint="at least 10 letters">
          <input name="fresh" type="password" autoComplete="new-password" required />
        </Field>
        <Button type="submit" look="press">
          Set it
        </Button>
      </ActionForm>
    </Cover>
  );
}
