import { hashPassword as hash, verifyPassword as verify } from "better-auth/crypto";
import { dictionary } from "@zxcvbn-ts/language-common";
import { z } from "zod";
import { Turnstile } from "@/db/turnstile";

export const LEAST_PASSWORD = 10;
export const MOST_PASSWORD = 128;
/** A password of so few different letters is guessed by its length. */
const LEAST_DIFFERENT = 5;
const common = new Set(dictionary["passwords-common"]);

/** Hashing takes a tenth of a second of a processor: one at a time, so that whoever is signed in goes on working. */
const oneAtATime = new Turnstile(1, 15_000, 60);
export const hashPassword = (password: string): Promise<string> => oneAtATime.pass("hash", () => hash(password));
export const verifyPassword = (given: { hash: string; password: string }): Promise<boolean> =>
  oneAtATime.pass("hash", () => verify(given));

/** A new password: long enough, and not one that is tried first. */
export const newPassword = z
  .string()
  .min(LEAST_PASSWORD, `at least ${LEAST_PASSWORD} letters`)
  .max(MOST_PASSWORD, `at most ${MOST_PASSWORD} letters`)
  .refine((password) => !isCommon(password), "that is one of the passwords that are tried first; choose another");

/** True of a well-known password, of one with digits or signs hung onto it, and of one made of very few letters. */
export function isCommon(password: string): boolean {
  const plain = password.toLowerCase();
  const bare = plain.replace(/^[^\p{L}]+|[^\p{L}]+$/gu, "");
  return new Set(plain).size < LEAST_DIFFERENT || common.has(plain) || common.has(bare) || /^(.+)\1+$/u.test(plain);
}
