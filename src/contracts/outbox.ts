import { z } from "zod";
import { drillAnswerSchema } from "./drill";
import { findingSchema } from "./finding";

/** What a device lays out to be sent, by kind: each has its own address and its own body. */
export const outboxBodySchema = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("finding"), body: findingSchema }),
  z.object({ kind: z.literal("drill"), body: drillAnswerSchema }),
]);
export type OutboxBody = z.input<typeof outboxBodySchema>;

/** Where each kind is sent. */
export const OUTBOX_ADDRESS: Record<OutboxBody["kind"], string> = {
  finding: "/api/v1/findings",
  drill: "/api/v1/drill-answers",
};
