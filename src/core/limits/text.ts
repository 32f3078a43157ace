import { z } from "zod";

/** Control characters, and those that turn the direction of what follows: a name with one of them can pass for another. */
const UNSEEN = /[\p{Cc}\u200b-\u200f\u202a-\u202e\u2060-\u2069\ufeff]/u;
/** The same where a text has lines and columns. */
const UNSEEN_IN_NOTES = /(?![\t\n\r])\p{Cc}|[\u202a-\u202e\u2066-\u2069]/u;

/**
 * Text that people write, trimmed and bounded.
 * @param lines whether it may have several lines, as a note
 */
export const plainText = (least: number, most: number, missing: string, lines = false) =>
  z
    .string()
    .trim()
    .min(least, missing)
    .max(most)
    .refine((text) => !(lines ? UNSEEN_IN_NOTES : UNSEEN).test(text), "leave out characters that cannot be seen");
