import type { MailPort } from "./ports/mail";
import { outboxMail } from "./stand-ins/outbox-mail";

/** The one place that picks stand-ins or real adapters. */
export const mail: MailPort = outboxMail;
export const isDemonstration = (): boolean => process.env.DEMO === "1";
