import type { MailPort } from "@/ports/mail";

/** Sends nothing: letters stay in the outbox, where the keeper reads them in the application. */
export const outboxMail: MailPort = { simulated: true, send: async () => undefined };
