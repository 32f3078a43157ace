import { readFileSync } from "node:fs";
import { isMap, isPair, isScalar, LineCounter, type Node, parseDocument } from "yaml";

export interface Problem {
  file: string;
  line: number;
  what: string;
}

/** A YAML file with the line of every key, so that a problem can be named by file and line. */
export interface YamlFile {
  file: string;
  // biome-ignore lint/suspicious/noExplicitAny: shape is checked field by field by the reader
  data: any;
  lineOf(path: (string | number)[]): number;
}

export function readYaml(path: string, shownAs: string): YamlFile {
  const counter = new LineCounter();
  const document = parseDocument(readFileSync(path, "utf8"), { lineCounter: counter, merge: true });
  if (document.errors.length > 0) {
    const first = document.errors[0];
    throw new Error(`${shownAs}:${counter.linePos(first.pos[0]).line}: ${first.message}`);
  }
  return {
    file: shownAs,
    data: document.toJS({ maxAliasCount: 1000 }),
    lineOf(keys) {
      let node: Node | null = document.contents as Node | null;
      let line = 1;
      for (const key of keys) {
        const found = step(node, key);
        if (!found) break;
        const start = found.at?.range?.[0];
        if (start !== undefined) line = counter.linePos(start).line;
        node = found.node;
      }
      return line;
    },
  };
}

/** What stands under a key, and the node that shows where: the key itself in a map, the item in a list. */
function step(node: Node | null, key: string | number): { at: Node | null; node: Node | null } | null {
  if (isMap(node)) {
    const pair = node.items.find(
      (item) => isPair(item) && isScalar(item.key) && String(item.key.value) === String(key),
    );
    return pair ? { at: pair.key as Node, node: pair.value as Node | null } : null;
  }
  if (!node || !("items" in node)) return { at: null, node };
  const item = (node.items as Node[])[Number(key)] ?? null;
  return { at: item, node: item };
}
