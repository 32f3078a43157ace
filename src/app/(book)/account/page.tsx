import { signOutEverywhere } from "@/app/actions";
import { OnThisDevice } from "@/components/device/on-this-device";
import { memberOrSignIn } from "@/server/session";

export const metadata = { title: "You" };

export default async function AccountPage() {
  const member = await memberOrSignIn();
  return (
    <div className="px-4 md:px-6 py-5 max-w-[700px]">
      <h1>{member.personName}</h1>
      <p>{member.email}</p>
      <h2 className="ruled mt-6">Where you work</h2>
      <ul>
        {member.places.map((p) => (
          <li key={p.districtId} className="row py-2">
            <span className="font-semibold">{p.name}</span> <span className="small">{p.roles.join(", ")}</span>
          </li>
        ))}
      </ul>
      <h2 className="ruled mt-6">On this device</h2>
      <OnThisDevice />
      <h2 className="ruled mt-6">Sign out everywhere</h2>
      <p className="py-2">
        Ends every session of yours, on this and on all other devices. Drafts stay on the devices on which they were
        made.
      </p>
      <form action={signOutEverywhere}>
        <button type="submit" className="button">
          Sign out everywhere
        </button>
      </form>
    </div>
  );
}
