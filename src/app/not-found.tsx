import { LinkButton } from "@/components/ui/button";

export default function NotFound() {
  return (
    <main className="p-8 max-w-[60ch]">
      <h1>Nothing is filed under this address</h1>
      <p className="mt-3">
        It may belong to another district, or may never have been. Findings, patches and ledger entries are never
        deleted.
      </p>
      <p className="mt-4">
        <LinkButton look="press" href="/today">
          Today
        </LinkButton>
      </p>
    </main>
  );
}
