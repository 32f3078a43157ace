import { smtpMail } from "@/adapters/smtp-mail";
import { mailRegistry } from "@/adapters/mail-registry";
import { env, isDemonstration, mailWay } from "@/env";
import type { MailPort } from "@/ports/mail";
import type { RegistryPort } from "@/ports/registry";
import { sampleMail } from "@/stand-ins/sample-mail";
import { SampleRegistry } from "@/stand-ins/sample-registry";

/** What the jobs process is given: letters go to nobody in the demonstration, and to the mail server in real use; null where there is none. */
export function mail(): MailPort | null {
  const way = mailWay();
  if (way === "sample") return sampleMail;
  const { SMTP_URL, MAIL_FROM } = env();
  return way === "smtp" && SMTP_URL && MAIL_FROM ? smtpMail(SMTP_URL, MAIL_FROM) : null;
}

/** Where reports go: to an invented registry in the demonstration, by letter in real use; null where there is no mail server. */
export function registry(): RegistryPort | null {
  if (isDemonstration()) return new SampleRegistry();
  const letters = mail();
  return letters && mailRegistry(letters);
}
