"use client";

import { lazy, Suspense } from "react";
import type { PictureOf } from "./pictures";

/** The drawings are a third of the Bench's script: they come right after the words and the buttons, which work without them. */
const Picture = lazy(() => import("./pictures"));

export function LazyPicture({ of, className }: { of: PictureOf; className?: string }) {
  return (
    <Suspense fallback={<span className="block aspect-[5/4] w-full" />}>
      <Picture of={of} className={className} />
    </Suspense>
  );
}
