import { withSerwist } from "@serwist/turbopack";
import type { NextConfig } from "next";

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  serverExternalPackages: ["pg", "pg-boss", "sharp", "pino", "pdfkit"],
  outputFileTracingRoot: import.meta.dirname,
  turbopack: { root: import.meta.dirname },
  experimental: { serverActions: { bodySizeLimit: "1mb" } },
};

export default withSerwist(config);
