"use client";

import { useRouter } from "next/navigation";
import { useEffect } from "react";
import { isTyping, singleKeysAreOn } from "./single-keys";

/** The keys [ and ] turn the pages of a table. */
export function PageKeys({ previous, next }: { previous: string | null; next: string | null }) {
  const router = useRouter();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target) || !singleKeysAreOn()) return;
      const to = event.key === "[" ? previous : event.key === "]" ? next : null;
      if (to) router.push(to);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [router, previous, next]);
  return null;
}
