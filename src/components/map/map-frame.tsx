"use client";

import dynamic from "next/dynamic";

/** The map is loaded only in the browser, and only where it is shown. */
export const MapFrame = dynamic(() => import("./ground-map").then((m) => m.GroundMap), {
  ssr: false,
  loading: () => (
    <p className="h-[56vh] min-h-[340px] grid place-items-center border-y border-[var(--line)]" role="status">
      Opening the map …
    </p>
  ),
});
