import { acceptAction } from "@/app/actions";
import { Cover } from "@/components/cover";
import { ActionForm, Field } from "@/components/ui/action-form";
import { invitationByToken } from "@/server/people";

export const metadata = { title: "Invitation" };

export default async function InvitePage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const held = await invitationByToken(token);
  if (!held) {
    return (
      <Cover title="Invitation">
        <p className="mt-4">
          This invitation is used up, too old, or not ours. Ask the keeper of your district for a new one.
        </p>
      </Cover>
    );
  }
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
        <button type="submit" className="button press">
          Come in
        </button>
      </ActionForm>
    </Cover>
  );
}
