import pino from "pino";

/** Structured log, one JSON object a line. Secrets and query parameters never go in. */
export const log = pino({
  level: process.env.LOG_LEVEL ?? "info",
  base: { app: "merry-sentinel" },
  redact: ["password", "token", "*.password", "*.token"],
});
