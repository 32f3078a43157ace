import { Button } from "@/components/ui/button";
import { acceptAction, signInAction, signOutAction } from "@/app/actions/account";
import { SignInForm } from "@/components/shell/sign-in-form";
import { ActionForm, Field } from "@/components/ui/action-form";
import { Cover } from "@/components/verdict/cover";
import { accountOf } from "@/server/accounts/auth";
import { ownSession } from "@/server/accounts/sign-in";
import { invitationByToken } from "@/server/people/invitations";

export const metadata = { title: "Invitation", referrer: "no-referrer" as const };

export default async function InvitePage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const held = await invitationByToken(token);
  if (!held)
    return (
      <Cover title="Invitation">
        <p className="mt-4">
          This invitation is used up, too old, or not ours. Ask the keeper of your district for a new one.
        </p>
      </Cover>
    );
  const [account, session] = [await accountOf(held.email), await ownSession()];
  if (account && session?.userId === account.id)
    return (
      <Cover title={held.district_name}>
        <p className="mt-3">
          You are signed in as {held.email}, the address that was invited. Your account and its password stay as they
          are.
        </p>
        <ActionForm action={acceptAction} label="Accept the invitation" className="mt-5 grid gap-4">
          <input type="hidden" name="token" value={token} />
          <Button type="submit" look="press">
            Join {held.district_name}
          </Button>
        </ActionForm>
      </Cover>
    );
  if (account && session)
    return (
      <Cover title={held.district_name}>
        <p className="mt-3">
          This invitation is for {held.email}. You are signed in as {session.email}. Sign out, then open the link again.
        </p>
        <form action={signOutAction} className="mt-5">
          <Button type="submit">Sign out</Button>
        </form>
      </Cover>
    );
  if (account)
    return (
      <Cover title={held.district_name}>
        <p className="mt-3">
          {held.email} has an account already. Sign in with it to join. Its password stays as it is.
        </p>
        <SignInForm action={signInAction} offered={[]} password="" email={held.email} next={`/invite/${token}`} />
      </Cover>
    );
  return (
    <Cover title={held.district_name}>
      <p className="mt-3">You were invited as {held.email}. Choose a password to come in.</p>
      <ActionForm action={acceptAction} label="Accept the invitation" className="mt-5 grid gap-4">
        <input type="hidden" name="token" value={token} />
        <Field name="name" label="Your name">
          <input name="name" defaultValue={held.person} required />
        </Field>
        <Field name="password" label="Password" hint="at least 10 letters">
          <input name="password" type="password" autoComplete="new-password" required />
        </Field>
        <Button type="submit" look="press">
          Come in
        </Button>
      </ActionForm>
    </Cover>
  );
}
