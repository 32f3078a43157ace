import type { ReactNode } from "react";
import { chooseDistrict, signOutAction } from "@/app/actions/account";
import { Shell } from "@/components/shell/shell";
import { isDemonstration } from "@/env";
import { deviceKey, memberOrSignIn } from "@/server/platform/session";

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
