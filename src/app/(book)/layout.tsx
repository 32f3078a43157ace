import type { ReactNode } from "react";
import { chooseDistrict, signOut } from "@/app/actions";
import { Shell } from "@/components/shell";
import { deviceKey, memberOrSignIn } from "@/server/session";
import { isDemonstration } from "@/wiring";

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
      signOut={signOut}
    >
      {children}
    </Shell>
  );
}
