import { refusalWords } from "@/core/errors";

/** Sends a file as it is. @param what it is, at the head of a sentence @returns null where it was stored, or why not */
export async function put(address: string, file: File, what: string): Promise<string | null> {
  try {
    const response = await fetch(address, { method: "PUT", body: file });
    if (response.ok) return null;
    // Schemas come when something was refused: a page's first load carries none.
    const { readError } = await import("@/contracts/error");
    const error = readError(await response.json());
    return error
      ? refusalWords(error.message, error.issues).join(" ")
      : `${what} was not stored. Try again in a moment.`;
  } catch {
    return `There is no connection. ${what} was not stored.`;
  }
}
