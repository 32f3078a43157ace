import Link from "next/link";
import { redirect } from "next/navigation";
import { signInAction } from "@/app/actions/account";
import { UnsentNote } from "@/components/device/unsent-note";
import { SignInForm } from "@/components/shell/sign-in-form";
import { Cover } from "@/components/verdict/cover";
import { DEMONSTRATION_PASSWORD, DEMONSTRATION_PEOPLE } from "@/demo/people";
import { isDemonstration, mailWay } from "@/env";
import { needsSetUp } from "@/server/people/set-up";
import { currentMember } from "@/server/platform/session";

export const metadata = { title: "Sign in" };

export default async function SignInPage({
  searchParams,
}: {
  searchParams: Promise<{ made?: string; password?: string }>;
}) {
  if (await needsSetUp()) redirect("/set-up");
  if (await currentMember()) redirect("/today");
  const { made, password } = await searchParams;
  const offered = isDemonstration() ? DEMONSTRATION_PEOPLE.map(({ email, name, what }) => ({ email, name, what })) : [];
  return (
    <Cover title="Sign in">
      {made || password ? (
        <p className="mt-3" role="status">
          {made ? "Your account is made. Sign in with it." : "Your new password is set. Sign in with it."}
        </p>
      ) : null}
      <SignInForm action={signInAction} offered={offered} password={offered.length > 0 ? DEMONSTRATION_PASSWORD : ""} />
      <p className="small mt-4">
        {mailWay() === "none" ? (
          "Forgot your password? Ask the person who runs this program for a link."
        ) : (
          <Link href="/forgot">Forgot your password?</Link>
        )}
      </p>
      <UnsentNote />
    </Cover>
  );
}
