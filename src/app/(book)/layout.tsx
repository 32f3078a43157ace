import type { ReactNode } from "react";
import { chooseDistrict, signOut } from "@/app/actions";
import { Shell } from "@/components/shell";
import { memberOrSignIn } from "@/server/session";
import { isDemonstration } from "@/wiring";

export default async function BookLayout({ children }: { children: ReactNode }) {
  const member = await memberOrSignIn();
  return (
    <Shell district={member.districtId} districts={member.places.map((p) => ({ id: p.districtId, name: p.name }))} person={member.personName} demonstration={isDemonstration()} chooseDistrict={chooseDistrict} signOut={signOut}>
      {children}
    </Shell>
  );
}
