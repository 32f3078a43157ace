"use client";
import { Disclosure } from "../ui/disclosure";
import { useEffect, useState } from "react";
import { OnThisDevice } from "./on-this-device";
import { waitingByPerson } from "./outbox";
import { follow } from "./store";

/** On the sign-in page: whose findings wait on this device, and what else it keeps. */
export function UnsentNote() {
  const [waiting, setWaiting] = useState<{ person: string; n: number }[]>([]);
  useEffect(() => follow(async (s) => waitingByPerson(await s.outbox.orderBy("order").toArray()), setWaiting), []);
  return (
    <section className="mt-6">
      {waiting.length > 0 ? (
        <p role="status">
          <strong>Findings wait on this device:</strong> {waiting.map((w) => `${w.n} of ${w.person}`).join(", ")}. The
          findings are sent when that person signs in.
        </p>
      ) : null}
      <Disclosure className="mt-2" summary="What this device keeps" look="small">
        <OnThisDevice />
      </Disclosure>
    </section>
  );
}
