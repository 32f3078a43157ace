"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { Button } from "../ui/button";

/** Puts work in order from near to far, by where the device is. The place goes into the address of the page alone. */
export function NearToFar({ on, path }: { on: boolean; path: "/today" | "/season" }) {
  const router = useRouter();
  const [fault, setFault] = useState<string | null>(null);
  if (on) return <Button onClick={() => router.push(path)}>In order of the days</Button>;
  const locate = () =>
    navigator.geolocation?.getCurrentPosition(
      ({ coords }) => router.push(`${path}?at=${coords.latitude.toFixed(3)},${coords.longitude.toFixed(3)}`),
      () => setFault("The device did not give a position."),
      { timeout: 10_000 },
    );
  return (
    <>
      <Button onClick={locate}>Near to far</Button>
      {fault ? (
        <span role="alert" className="fault self-center">
          {fault}
        </span>
      ) : null}
    </>
  );
}
