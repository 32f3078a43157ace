import { PageHead } from "@/components/ui/page";
import { Disclosure, PlainAction } from "@/components/ui/disclosure";
import { Button } from "@/components/ui/button";
import {
  addressAction,
  beginCodesAction,
  confirmCodesAction,
  endCodesAction,
  leaveAction,
  nameAction,
  passwordAction,
  signOutEverywhereAction,
} from "@/app/actions/account";
import { endFeedAction, renewFeedAction } from "@/app/actions/season";
import { OnThisDevice } from "@/components/device/on-this-device";
import { BeginCodes } from "@/components/shell/begin-codes";
import { ActionForm, Field } from "@/components/ui/action-form";
import { ownSafety } from "@/server/people/own-account";
import { memberOrSignIn } from "@/server/platform/session";
import { feedSince } from "@/server/season/feed";
import { fullDay } from "@/components/words/dates";

export const metadata = { title: "You" };

export default async function AccountPage({ searchParams }: { searchParams: Promise<{ stays?: string }> }) {
  const { stays } = await searchParams;
  const member = await memberOrSignIn();
  const { codes, proved } = await ownSafety();
  const since = await feedSince(member);
  const password = (
    <Field name="password" label="Your password">
      <input name="password" type="password" autoComplete="current-password" required />
    </Field>
  );
  return (
    <div className="px-4 md:px-6 py-5 max-w-[700px]">
      <PageHead title={member.personName}>
        <p>
          {member.email} <span className="small">{proved ? "verified by email" : "not verified by email"}</span>
        </p>
      </PageHead>
      <h2 className="ruled mt-6">Where you work</h2>
      <ul>
        {member.places.map((p) => (
          <li key={p.districtId} className="row py-2">
            <span className="font-semibold">{p.name}</span> <span className="small">{p.roles.join(", ")}</span>
          </li>
        ))}
      </ul>
      <h2 className="ruled mt-6">Name and address</h2>
      <ActionForm action={nameAction} label="Your name" className="grid sm:grid-cols-[1fr_auto] gap-4 items-end mt-3">
        <Field name="name" label="Name you sign with">
          <input name="name" defaultValue={member.personName} autoComplete="name" required />
        </Field>
        <Button type="submit">Change the name</Button>
      </ActionForm>
      <ActionForm action={addressAction} label="Your address" className="grid sm:grid-cols-2 gap-4 items-end mt-4">
        <Field name="email" label="Email">
          <input name="email" type="email" defaultValue={member.email} autoComplete="email" required />
        </Field>
        {password}
        <Button type="submit" className="justify-self-start">
          Change the address
        </Button>
      </ActionForm>
      <h2 className="ruled mt-6">Password</h2>
      <ActionForm
        action={passwordAction}
        renew
        label="Your password"
        className="grid sm:grid-cols-2 gap-4 items-end mt-3"
      >
        {password}
        <Field name="fresh" label="New password" hint="at least 10 letters">
          <input name="fresh" type="password" autoComplete="new-password" required />
        </Field>
        <Button type="submit" className="justify-self-start">
          Change the password
        </Button>
      </ActionForm>
      <h2 className="ruled mt-6">Your work in a calendar</h2>
      <p className="py-2">
        {since
          ? `A calendar program has had an address for your plans in ${member.name} since ${fullDay(since)}.`
          : `A calendar program can read your plans in ${member.name} under a secret address.`}
      </p>
      <ActionForm action={renewFeedAction} label="Address for a calendar">
        <Button type="submit">{since ? "Give me a new address" : "Give me an address"}</Button>
        {since ? <p className="small mt-1">The address from before then opens nothing any more.</p> : null}
      </ActionForm>
      {since ? (
        <ActionForm action={endFeedAction} label="End the address" className="mt-2">
          <Button type="submit" look="plain">
            End the address
          </Button>
        </ActionForm>
      ) : null}
      <h2 className="ruled mt-6">One-time codes</h2>
      <p className="py-2">
        {codes
          ? "On. Signing in asks for a code from your authenticator as well as the password."
          : "Off. With an authenticator on your phone, a stolen password alone is not enough to sign in. Keepers should use one."}
      </p>
      {codes ? (
        <ActionForm action={endCodesAction} label="Turn the codes off" className="grid sm:grid-cols-2 gap-4 items-end">
          {password}
          <Button type="submit" className="justify-self-start">
            Turn them off
          </Button>
        </ActionForm>
      ) : (
        <BeginCodes begin={beginCodesAction} confirm={confirmCodesAction} />
      )}
      <h2 className="ruled mt-6">On this device</h2>
      <OnThisDevice />
      <h2 className="ruled mt-6">Sign out everywhere</h2>
      <p className="py-2">
        This ends all your sessions, on this device and on every other. Drafts stay on the device where you made them.
      </p>
      <form action={signOutEverywhereAction}>
        <Button type="submit">Sign out everywhere</Button>
      </form>
      <h2 className="ruled mt-6">Leave {member.name}</h2>
      <Disclosure summary={<PlainAction>Leave this district …</PlainAction>}>
        <p className="py-2">
          You can no longer open {member.name}. Your name stays on what you signed. A keeper can invite you again.
        </p>
        <form action={leaveAction}>
          <Button type="submit">Leave {member.name}</Button>
        </form>
      </Disclosure>
      {stays ? (
        <p role="alert" className="fault">
          You are the only keeper here. Make someone else a keeper before you leave.
        </p>
      ) : null}
    </div>
  );
}
