import { DrillBook } from "@/components/drill/drill-book";
import { isDemonstration } from "@/env";
import { mayTeach, ownConsent } from "@/server/drill/pack";
import { benchPackOf } from "@/server/flora/bench-pack";
import { memberOrSignIn } from "@/server/platform/session";
import { ConsentForm } from "./consent-form";

export const metadata = { title: "Drill" };

export default async function DrillPage({ searchParams }: { searchParams: Promise<{ t?: string | string[] }> }) {
  const member = await memberOrSignIn();
  const { t } = await searchParams;
  const pack = await benchPackOf(member, isDemonstration());
  return (
    <DrillBook
      pack={pack}
      asked={[t ?? []].flat()}
      teaches={mayTeach(member)}
      consent={<ConsentForm consents={await ownConsent(member)} />}
    />
  );
}
