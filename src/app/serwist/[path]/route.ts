import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import { createSerwistRoute } from "@serwist/turbopack";

/** A revision of what has no hash in its name: the flora's own, and for the shell that of this build. */
const florasHash = createHash("sha256").update(readFileSync("public/flora.json")).digest("hex").slice(0, 16);
const ofThisBuild = crypto.randomUUID();

/** The service worker, with the list of all that is kept on the device: scripts, styles, letters, the flora and the shell. */
export const { dynamic, dynamicParams, revalidate, generateStaticParams, GET } = createSerwistRoute({
  swSrc: "src/service-worker/sw.ts",
  useNativeEsbuild: true,
  globPatterns: [".next/static/**/*.{js,css,woff2}"],
  additionalPrecacheEntries: [
    { url: "/field", revision: ofThisBuild },
    { url: "/flora.json", revision: florasHash },
  ],
});
