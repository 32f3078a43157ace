"use client";

/** An error page that helps: what is safe, and what to do. */
export default function ErrorPage({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  return (
    <main className="p-8 max-w-[60ch]">
      <h1>This page could not be shown</h1>
      <p className="mt-3">
        Nothing that was saved is lost, and drafts are still on this device. Try again; if it stays, tell the keeper of
        your district the number below.
      </p>
      {error.digest ? <p className="figure mt-2">{error.digest}</p> : null}
      <p className="mt-4 flex gap-3 flex-wrap">
        <Button look="press" onClick={reset}>
          Try again
        </Button>
        <a className="button" href="/today">
          Today
        </a>
      </p>
    </main>
  );
}
import { Button } from "@/components/ui/button";
