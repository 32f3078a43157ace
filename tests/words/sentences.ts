import ts from "typescript";

export interface Sentence {
  /** as written, with an ellipsis where a value goes */
  text: string;
  line: number;
}

const LAID_OUT = /^(className|style|href|d|viewBox|fill|stroke|id|name|key|data-.*)$/;

/** Text with a gap where a value goes. */
const withGaps = (node: ts.TemplateExpression): string =>
  node.head.text + node.templateSpans.map((span) => `…${span.literal.text}`).join("");

/** Comments of a source file, those for the tools left out. */
export function commentsOf(source: string): Sentence[] {
  return source.split("\n").flatMap((text, i) => {
    const said = /^\s*(?:\/\*\*|\*|\/\/)(.*)/.exec(text)?.[1]?.trim();
    return said && !said.startsWith("biome-ignore") ? [{ text: said, line: i + 1 }] : [];
  });
}

/** What of a source file is read on a screen: text between tags, and strings of two words or more. Import paths and classes are not. */
export function sentencesOf(source: string, file: string): Sentence[] {
  const tree = ts.createSourceFile(file, source, ts.ScriptTarget.Latest, true);
  const found: Sentence[] = [];
  const add = (node: ts.Node, text: string) => {
    const flat = text.replace(/\s+/g, " ").trim();
    if (/\p{L} \S/u.test(flat))
      found.push({ text: flat, line: tree.getLineAndCharacterOfPosition(node.getStart()).line + 1 });
  };
  const visit = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node)) return;
    if (ts.isJsxAttribute(node) && LAID_OUT.test(node.name.getText())) return;
    if (ts.isJsxElement(node) || ts.isJsxFragment(node))
      add(node, node.children.map((c) => (ts.isJsxText(c) ? c.text : "…")).join(""));
    else if (ts.isStringLiteralLike(node)) add(node, node.text);
    else if (ts.isTemplateExpression(node)) add(node, withGaps(node));
    ts.forEachChild(node, visit);
  };
  visit(tree);
  return found;
}
