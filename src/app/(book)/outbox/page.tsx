import { PageHead } from "@/components/ui/page";
import { OutboxPanel } from "@/components/device/outbox-panel";
import { plantsOf } from "@/server/flora/amendments";
import { deviceKey, memberOrSignIn } from "@/server/platform/session";

export const metadata = { title: "Outbox" };

export default async function OutboxPage() {
  const member = await memberOrSignIn();
  const plants = await plantsOf(member);
  return (
    <div className="px-4 md:px-6 py-5 max-w-[820px]">
      <PageHead title="Outbox of this device">
        <p className="mt-1 text-[var(--soft)]">
          Findings saved on this device that the server does not have yet, or that you need to check.
        </p>
      </PageHead>
      <OutboxPanel deviceKey={deviceKey(member)} nameOf={plants.plainNames()} />
    </div>
  );
}
