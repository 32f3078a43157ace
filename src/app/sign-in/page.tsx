import { redirect } from "next/navigation";
import { signIn } from "@/app/actions";
import { UnsentNote } from "@/components/device/unsent-note";
import { Cover } from "@/components/cover";
import { SignInForm } from "@/components/sign-in-form";
import { DEMONSTRATION_PASSWORD, DEMONSTRATION_PEOPLE } from "@/demo/people";
import { needsSetUp } from "@/server/people";
import { currentMember } from "@/server/session";
import { isDemonstration } from "@/wiring";

export const metadata = { title: "Sign in" };

export default async function SignInPage({ searchParams }: { searchParams: Promise<{ made?: string }> }) {
  if (await needsSetUp()) redirect("/set-up");
  if (await currentMember()) redirect("/today");
  const offered = isDemonstration() ? DEMONSTRATION_PEOPLE.map(({ email, name, what }) => ({ email, name, what })) : [];
  return (
    <Cover title="Sign in">
      {(await searchParams).made ? (
        <p className="mt-3" role="status">
          Your account is made. Sign in with it.
        </p>
      ) : null}
      <SignInForm action={signIn} offered={offered} password={offered.length > 0 ? DEMONSTRATION_PASSWORD : ""} />
      <UnsentNote />
    </Cover>
  );
}
