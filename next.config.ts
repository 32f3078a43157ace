import { withSerwist } from "@serwist/turbopack";
import type { NextConfig } from "next";

/** What every answer carries, whatever it is: pages get their content policy from src/proxy.ts besides. */
const HEADERS = [
  { key: "x-content-type-options", value: "nosniff" },
  { key: "referrer-policy", value: "same-origin" },
  { key: "cross-origin-opener-policy", value: "same-origin" },
  { key: "cross-origin-resource-policy", value: "same-origin" },
  { key: "permissions-policy", value: "camera=(self), geolocation=(self), microphone=()" },
];
/** An answer that is no page runs nothing and is framed by nobody. */
const DATA_POLICY = "default-src 'none'; style-src 'unsafe-inline'; frame-ancestors 'none'";

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  serverExternalPackages: ["pg", "sharp", "pino", "pdfkit", "exifr", "@zxcvbn-ts/language-common"],
  outputFileTracingRoot: import.meta.dirname,
  // Types are checked by `npm run check`, tests and scripts with them; a build need not do it again.
  typescript: { ignoreBuildErrors: true },
  turbopack: { root: import.meta.dirname },
  experimental: { serverActions: { bodySizeLimit: "1mb" } },
  headers: async () => [
    { source: "/:path*", headers: HEADERS },
    { source: "/api/:path*", headers: [{ key: "content-security-policy", value: DATA_POLICY }] },
    // What a stranger wrote is a download, and would run nothing if it were opened.
    {
      source: "/api/v1/label-papers/:id",
      headers: [{ key: "content-security-policy", value: "sandbox; default-src 'none'; frame-ancestors 'none'" }],
    },
  ],
};

export default withSerwist(config);
