import type { MailPort } from "@/ports/mail";

/** Sends nothing: the jobs process keeps the letters of a demonstration where its keeper can read them. */
export const sampleMail: MailPort = { simulated: true, send: async () => undefined };
