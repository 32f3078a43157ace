import { smtpMail } from "@/adapters/smtp-mail";
import { env, mailWay } from "@/env";
import type { MailPort } from "@/ports/mail";
import { sampleMail } from "@/stand-ins/sample-mail";

/** What the jobs process is given: letters go to nobody in the demonstration, and to the mail server in real use; null where there is none. */
export function mail(): MailPort | null {
  const way = mailWay();
  if (way === "sample") return sampleMail;
  const { SMTP_URL, MAIL_FROM } = env();
  return way === "smtp" && SMTP_URL && MAIL_FROM ? smtpMail(SMTP_URL, MAIL_FROM) : null;
}
