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

type KindRules = z.output<typeof kindRulesSchema>;

/** What the files of methods say, read and checked. */
export interface MethodBook {
  /** each with the rules of its kind before its own */
  methods: Method[];
  aliases: z.output<typeof aliasSchema>[];
  vocabulary: z.output<typeof vocabularySchema>;
  kindRules: KindRules[];
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
  const known = readFile(named("vocabulary.yaml"), vocabularySchema, problems) ?? { known: {}, lasts: {}, kit: {} };
  const kindFile = named("rules-by-kind.yaml");
  const byKind = readFile(kindFile, kindRulesSchema.array(), problems) ?? [];
  for (const rules of byKind) checkWords(kindFile, `kind: ${rules.kind}`, rules, known, problems);
  const aliases = readFile(named("aliases.yaml"), aliasSchema.array(), problems) ?? [];
  const gaps = readFile(named("gaps.yaml"), gapSchema.array(), problems) ?? [];
  const special = ["vocabulary.yaml", "rules-by-kind.yaml", "aliases.yaml", "gaps.yaml"];
  const methods = files
    .filter(({ name }) => !special.includes(name))
    .flatMap((file) => {
      const own = readFile(file, methodSchema.array(), problems) ?? [];
      for (const method of own) checkWords(file, `id: ${method.id}`, method, known, problems);
      return own.map((method) => withKind(byKind, method));
    });
  for (const kind of repeated(byKind.map((one) => one.kind)))
    problems.push({ file: "rules-by-kind.yaml", line: 1, what: `${kind} is written twice` });
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
  checkWords(file, `id: ${method.id}`, method, vocabulary, problems);
  const shipped = methods.find(({ id }) => id === method.id);
  if (shipped && shipped.kind !== method.kind)
    problems.push({ file: "own", line: 1, what: `kind: ${method.id} is of kind ${shipped.kind}, and stays so` });
  // What is of kind follow is asked for no finding.
  if (!shipped && method.kind === "follow")
    problems.push({ file: "own", line: 1, what: "kind: only sowing that is shipped is of kind follow; write hand" });
  if (problems.length > 0) return { method: null, problems };
  return { method: withKind(kindRules, method), problems };
}

/** A method as its file would write it, without the rules of its kind. */
export function writtenMethod({ kindRules }: MethodBook, method: Method): string {
  const shared = ofKind(kindRules, method);
  const own = {
    rules: method.rules.slice(shared.rules.length),
    "must-when": method["must-when"].slice(shared["must-when"].length),
  };
  return stringify({ ...method, ...own }, { lineWidth: 0 });
}

/** What the files say of a kind of method: nothing, where they do not name it. */
const ofKind = (byKind: KindRules[], { kind }: Method): Pick<KindRules, "rules" | "must-when"> =>
  byKind.find((one) => one.kind === kind) ?? { rules: [], "must-when": [] };

function withKind(byKind: KindRules[], method: Method): Method {
  const shared = ofKind(byKind, method);
  return {
    ...method,
    rules: [...shared.rules, ...method.rules],
    "must-when": [...shared["must-when"], ...method["must-when"]],
  };
}

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

/** Whether the words of a method, or of a kind, are in the vocabulary. `owner` is the line with which it begins. */
function checkWords(
  { name, text }: { name: string; text: string },
  owner: string,
  said: Pick<Method, "rules" | "must-when"> & Partial<Pick<Method, "must" | "kit">>,
  { known, lasts, kit }: MethodBook["vocabulary"],
  problems: MethodProblem[],
): void {
  const from = text.split("\n").findIndex((line) => line.includes(owner));
  const lineWith = (word: string) => {
    const at = text.split("\n").findIndex((line, i) => i >= from && line.includes(word));
    return (at < 0 ? from : at) + 1;
  };
  const check = (word: string | undefined, words: Record<string, unknown>, of: string) => {
    if (word !== undefined && !(word in words))
      problems.push({ file: name, line: lineWith(word), what: `${owner}: “${word}” is not a word of ${of}` });
  };
  for (const word of said.kit ?? []) check(word, kit, "kit");
  for (const word of said.must ?? []) check(word, known, "known");
  for (const { known: word } of said["must-when"]) check(word, known, "known");
  for (const rule of said.rules) {
    check(rule.when["told-not"], known, "known");
    check(rule.when["told-not"], lasts, "lasts");
  }
}

/** The method of an id of now or of before; an old id keeps the name that it was printed with. */
export function methodOf(book: MethodBook, id: string): Method | undefined {
  const alias = book.aliases.find(({ old }) => old === id);
  const method = book.methods.find((m) => m.id === (alias?.id ?? id));
  return method && alias ? { ...method, name: alias.name } : method;
}
