import { LineCounter, parseDocument, stringify } from "yaml";
import type { z } from "zod";
import {
  aliasSchema,
  type ExplainedGap,
  gapSchema,
  kindRulesSchema,
  type Method,
  methodSchema,
  vocabularySchema,
} from "./method-schema";

/** What the files of methods say, read and checked. */
export interface MethodBook {
  /** each with the rules of its kind before its own */
  methods: Method[];
  aliases: z.output<typeof aliasSchema>[];
  vocabulary: z.output<typeof vocabularySchema>;
  kindRules: z.output<typeof kindRulesSchema>[];
  /** plants for which something is missing, and why */
  gaps: ExplainedGap[];
}

export interface MethodProblem {
  file: string;
  line: number;
  what: string;
}

/**
 * Reads the files of methods: rules-by-kind.yaml, aliases.yaml, vocabulary.yaml, gaps.yaml, and methods in every other.
 * Whatever is not in the vocabulary is a problem, with its file and line.
 */
export function readMethodBook(files: { name: string; text: string }[]): {
  book: MethodBook;
  problems: MethodProblem[];
} {
  const problems: MethodProblem[] = [];
  const named = (name: string) => files.find((file) => file.name === name) ?? { name, text: "" };
  const known = readFile(named("vocabulary.yaml"), vocabularySchema, problems) ?? { known: {}, kit: {} };
  const byKind = readFile(named("rules-by-kind.yaml"), kindRulesSchema.array(), problems) ?? [];
  const aliases = readFile(named("aliases.yaml"), aliasSchema.array(), problems) ?? [];
  const gaps = readFile(named("gaps.yaml"), gapSchema.array(), problems) ?? [];
  const special = ["vocabulary.yaml", "rules-by-kind.yaml", "aliases.yaml", "gaps.yaml"];
  const methods = files
    .filter(({ name }) => !special.includes(name))
    .flatMap((file) => {
      const own = readFile(file, methodSchema.array(), problems) ?? [];
      for (const method of own) checkWords(file, method, known, problems);
      return own.map((method) => ({ ...method, rules: [...rulesOfKind(byKind, method), ...method.rules] }));
    });
  for (const id of repeated(methods.map((m) => m.id)))
    problems.push({ file: "methods", line: 1, what: `${id} is written twice` });
  return { book: { methods, aliases, gaps, kindRules: byKind, vocabulary: known }, problems };
}

/**
 * A district's own word on a method, written as one method of a file. A shipped method keeps its kind, as the rules of sites and
 * people hang on it.
 * @returns the method with the rules of its kind before its own, or null with what is wrong by line
 */
export function readOwnMethod(
  { methods, kindRules, vocabulary }: MethodBook,
  text: string,
): { method: Method | null; problems: MethodProblem[] } {
  const problems: MethodProblem[] = [];
  const file = { name: "own", text };
  const method = readFile(file, methodSchema, problems);
  if (!method) return { method: null, problems };
  checkWords(file, method, vocabulary, problems);
  const shipped = methods.find(({ id }) => id === method.id);
  if (shipped && shipped.kind !== method.kind)
    problems.push({ file: "own", line: 1, what: `kind: ${method.id} is of kind ${shipped.kind}, and stays so` });
  // What is of kind follow is asked for no finding.
  if (!shipped && method.kind === "follow")
    problems.push({ file: "own", line: 1, what: "kind: only sowing that is shipped is of kind follow; write hand" });
  if (problems.length > 0) return { method: null, problems };
  return { method: { ...method, rules: [...rulesOfKind(kindRules, method), ...method.rules] }, problems };
}

/** A method as its file would write it, without the rules of its kind. */
export function writtenMethod({ kindRules }: MethodBook, method: Method): string {
  const shared = rulesOfKind(kindRules, method).length;
  return stringify({ ...method, rules: method.rules.slice(shared) }, { lineWidth: 0 });
}

const rulesOfKind = (byKind: z.output<typeof kindRulesSchema>[], { kind }: Method) =>
  byKind.filter((rules) => rules.kind === kind).flatMap(({ rules }) => rules);

const repeated = (ids: string[]): string[] => ids.filter((id, i) => ids.indexOf(id) < i);

function readFile<T>(
  { name, text }: { name: string; text: string },
  schema: z.ZodType<T>,
  problems: MethodProblem[],
): T | null {
  const lines = new LineCounter();
  const document = parseDocument(text, { lineCounter: lines });
  for (const error of document.errors)
    problems.push({ file: name, line: lines.linePos(error.pos[0]).line, what: error.message });
  const read = schema.safeParse(document.toJS());
  if (read.success) return read.data;
  for (const issue of read.error.issues)
    problems.push({
      file: name,
      line: lineOf(document, lines, issue.path),
      what: `${issue.path.join(".")}: ${issue.message}`,
    });
  return null;
}

/** The line of the innermost thing that the path names. */
function lineOf(document: ReturnType<typeof parseDocument>, lines: LineCounter, path: PropertyKey[]): number {
  for (let length = path.length; length > 0; length--) {
    const node = document.getIn(path.slice(0, length), true) as { range?: [number, number, number] } | undefined;
    if (node?.range) return lines.linePos(node.range[0]).line;
  }
  return 1;
}

function checkWords(
  { name, text }: { name: string; text: string },
  method: Method,
  { known, kit }: MethodBook["vocabulary"],
  problems: MethodProblem[],
): void {
  const from = text.split("\n").findIndex((line) => line.includes(`id: ${method.id}`));
  const lineWith = (word: string) => {
    const at = text.split("\n").findIndex((line, i) => i >= from && line.includes(word));
    return (at < 0 ? from : at) + 1;
  };
  const check = (word: string | undefined, words: Record<string, string>, of: string) => {
    if (word !== undefined && !(word in words))
      problems.push({ file: name, line: lineWith(word), what: `${method.id}: “${word}” is not a word of ${of}` });
  };
  for (const word of method.kit) check(word, kit, "kit");
  for (const word of method.must) check(word, known, "known");
  for (const { known: word } of method["must-when"]) check(word, known, "known");
  for (const rule of method.rules) check(rule.when["told-not"], known, "known");
}

/** The method of an id of now or of before; an old id keeps the name that it was printed with. */
export function methodOf(book: MethodBook, id: string): Method | undefined {
  const alias = book.aliases.find(({ old }) => old === id);
  const method = book.methods.find((m) => m.id === (alias?.id ?? id));
  return method && alias ? { ...method, name: alias.name } : method;
}
