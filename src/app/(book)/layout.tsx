import type { ReactNode } from "react";
import { signOutAction } from "@/app/account-actions";
import { chooseDistrict } from "@/app/actions";
import { Shell } from "@/components/shell";
import { deviceKey, memberOrSignIn } from "@/server/session";
import { isDemonstration } from "@/env";

export default async function BookLayout({ children }: { children: ReactNode }) {
  const member = await memberOrSignIn();
  return (
    <Shell
      district={member.districtId}
      districts={member.places.map((p) => ({ id: p.districtId, name: p.name }))}
      person={member.personName}
      demonstration={isDemonstration()}
      deviceKey={deviceKey(member)}
      chooseDistrict={chooseDistrict}
      signOut={signOutAction}
    >
      {children}
    </Shell>
  );
}
