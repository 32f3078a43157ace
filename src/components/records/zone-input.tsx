"use client";

import { useEffect, useRef } from "react";

/** Begins with the zone of the person's own device: the machine that serves may stand elsewhere, or know only UTC. */
export function ZoneInput({ name }: { name: string }) {
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (input.current?.value === "") input.current.value = Intl.DateTimeFormat().resolvedOptions().timeZone;
  }, []);
  return <input ref={input} name={name} required />;
}
