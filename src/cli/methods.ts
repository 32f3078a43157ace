import { readFileSync } from "node:fs";
import { z } from "zod";
import {
  adviseMethods,
  CONDITIONS,
  contradictions,
  gapsOf,
  type MethodAdvice,
  METHOD_IDS,
  readMethodCase,
  unexplained,
} from "@/core/control";
import { InputError } from "@/core/errors";
import { currentFlora } from "@/flora/load";
import { readShippedMethods, shippedMethodBook } from "@/server/flora/method-book";
import { printJson, run } from "./output";

function toLine({ method, answer: said, preferred, window, must, why, schools, follows }: MethodAdvice) {
  return {
    method: method.id,
    answer: said,
    ...(preferred ? { preferred: true } : {}),
    ...(window ?? {}),
    must,
    because: preferred ? [preferred, ...why] : why,
    ...(schools.length > 0 ? { schools } : {}),
    follows,
  };
}

const vocabulary = () => ({
  ids: METHOD_IDS,
  conditions: CONDITIONS,
  true: shippedMethodBook().vocabulary.known,
  slopes: ["flat", "moderate", "steep"],
  kit: shippedMethodBook().vocabulary.kit,
});

function check(): void {
  const { book, problems } = readShippedMethods();
  const flora = currentFlora();
  const missing = METHOD_IDS.filter((id) => !book.methods.some((method) => method.id === id));
  const gaps = flora.taxa.flatMap((taxon) => gapsOf(book, taxon).map((gap) => ({ taxon: taxon.name, ...gap })));
  const all = [
    ...problems.map(({ file, line, what }) => ({ file: `flora/methods/${file}`, line, what })),
    ...missing.map((id) => ({ file: "flora/methods", line: 1, what: `${id} is not written` })),
    ...unexplained(book, gaps).map((what) => ({ file: "flora/methods/gaps.yaml", line: 1, what })),
    ...contradictions(book, flora).map((what) => ({ file: "flora/methods", line: 1, what })),
  ];
  printJson({
    methods: book.methods.length,
    rules: book.methods.reduce((sum, { rules }) => sum + rules.length, 0),
    schools: book.methods.reduce((sum, { schools }) => sum + schools.length, 0),
    problems: all,
    gaps,
  });
  if (all.length > 0) process.exitCode = 1;
}

/** `--check [--json]`, `--vocabulary`, or a file with one case or an array of cases; shapes are those of the documented commands. */
run(() => {
  const args = process.argv.slice(2);
  if (args.includes("--check")) return check();
  if (args.includes("--vocabulary")) return printJson(vocabulary());
  const file = args.find((arg) => !arg.startsWith("--"));
  if (!file)
    throw new InputError("no-case", "CASE.json", args.join(" "), "name a file with a case, --check or --vocabulary");
  const given: unknown = JSON.parse(readFileSync(file, "utf8"));
  const flora = currentFlora();
  const answer = (raw: unknown) => adviseMethods(shippedMethodBook(), readMethodCase(flora, raw)).map(toLine);
  printJson(Array.isArray(given) ? z.array(z.unknown()).max(10_000).parse(given).map(answer) : answer(given));
});
