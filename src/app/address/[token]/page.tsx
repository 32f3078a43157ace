import { Button } from "@/components/ui/button";
import Link from "next/link";
import { proveAddressAction } from "@/app/actions/account";
import { ActionForm } from "@/components/ui/action-form";
import { Cover } from "@/components/verdict/cover";

export const metadata = { title: "Your address", referrer: "no-referrer" as const };

export default async function AddressPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  return (
    <Cover title="Is this your address?">
      <p className="mt-3">Someone, probably you, wants to sign in with the address that received this link.</p>
      <ActionForm action={proveAddressAction} label="Verify the address" className="mt-5 grid gap-4">
        <input type="hidden" name="token" value={token} />
        <Button type="submit" look="press">
          Yes, it is mine
        </Button>
      </ActionForm>
      <p className="small mt-4">
        <Link href="/sign-in">To sign-in</Link>
      </p>
    </Cover>
  );
}
