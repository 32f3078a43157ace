import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { type MethodBook, readMethodBook } from "@/core/control";
import { perProcess } from "../platform/per-process";

/** The files of methods that come with the program, read and checked; problems are listed, not thrown. */
export function readShippedMethods(): ReturnType<typeof readMethodBook> {
  const folder = join(process.cwd(), "flora", "methods");
  const names = readdirSync(folder).filter((name) => name.endsWith(".yaml"));
  return readMethodBook(names.sort().map((name) => ({ name, text: readFileSync(join(folder, name), "utf8") })));
}

/** @throws {Error} naming file and line where a file does not check */
export const shippedMethodBook = (): MethodBook =>
  perProcess("methods", () => {
    const { book, problems } = readShippedMethods();
    if (problems.length > 0)
      throw new Error(problems.map(({ file, line, what }) => `flora/methods/${file}:${line}: ${what}`).join("\n"));
    return book;
  });
