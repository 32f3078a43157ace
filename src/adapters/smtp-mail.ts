import { createTransport } from "nodemailer";
import type { MailPort } from "@/ports/mail";

/** Hands letters to a mail server. */
export function smtpMail(url: string, from: string): MailPort {
  const transport = createTransport(
    { url, connectionTimeout: 10_000, greetingTimeout: 10_000, socketTimeout: 20_000 },
    { from },
  );
  return {
    simulated: false,
    send: async ({ to, subject, body }) => {
      await transport.sendMail({ to, subject, text: body });
    },
  };
}
