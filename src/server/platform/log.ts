import pino from "pino";
import { env } from "@/env";

/** Structured log, one JSON object a line. It holds no content, position or secret: what is logged of an error goes through `safeError`. */
export const log = pino({
  level: env().LOG_LEVEL,
  base: { app: "merry-sentinel" },
  redact: ["password", "token", "*.password", "*.token"],
});

/**
 * What may be said of an error in a log. A failed query carries its text and its parameters in its message, and the database repeats
 * values in its own: of these only the kind, the code and the place in our code are kept.
 */
export function safeError(error: unknown): { kind: string; code?: string; constraint?: string; at: string[] } {
  const chain: Error[] = [];
  for (let at: unknown = error; at instanceof Error && chain.length < 5; at = at.cause) chain.push(at);
  const first = chain[0];
  const last = chain.at(-1) as (Error & { code?: unknown; constraint?: unknown }) | undefined;
  return {
    kind: chain.map((e) => e.name).join(" < ") || typeof error,
    ...(typeof last?.code === "string" ? { code: last.code } : {}),
    ...(typeof last?.constraint === "string" ? { constraint: last.constraint } : {}),
    at: (first?.stack ?? "")
      .split("\n")
      .filter((line) => /^\s+at /.test(line))
      .slice(0, 8)
      .map((line) => line.trim()),
  };
}
