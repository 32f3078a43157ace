export interface JsonLimits {
  /** how many lists and objects may stand in one another */
  depth: number;
  /** how many values there may be in all */
  items: number;
}

/**
 * Looks over a JSON text once, in time that grows with its length alone, before anything is made of it.
 * @returns what is too much, in words, or null
 */
export function checkJsonText(text: string, limits: JsonLimits): string | null {
  let depth = 0;
  let items = 1;
  let quoted = false;
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    if (quoted) {
      if (c === BACKSLASH) i++;
      else if (c === QUOTE) quoted = false;
    } else if (c === QUOTE) quoted = true;
    else if (c === OPEN_LIST || c === OPEN_OBJECT) {
      if (++depth > limits.depth) return `lists and objects stand more than ${limits.depth} deep in one another`;
    } else if (c === CLOSE_LIST || c === CLOSE_OBJECT) depth--;
    else if (c === COMMA && ++items > limits.items) return `it has more than ${limits.items} values`;
  }
  return null;
}
const [QUOTE, BACKSLASH, COMMA, OPEN_LIST, CLOSE_LIST, OPEN_OBJECT, CLOSE_OBJECT] = [...'"\\,[]{}'].map((c) =>
  c.charCodeAt(0),
);

/**
 * On which line each row of each list of a pack begins: rows are the members of the lists that stand right inside the outermost object.
 * @returns by the list's name, lines counted from 1; null where there are more than `most` rows in all
 */
export function linesOfRows(text: string, most: number): Map<string, number[]> | null {
  const lines = new Map<string, number[]>();
  let [depth, line, rows] = [0, 1, 0];
  let key = "";
  let begins = false;
  let string: { from: number } | null = null;
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    if (string) {
      if (c === BACKSLASH) i++;
      else if (c === QUOTE) {
        if (depth === 1) key = text.slice(string.from, i);
        string = null;
      }
      continue;
    }
    if (c === NEWLINE) line++;
    if (c <= SPACE) continue;
    if (begins && c !== CLOSE_LIST) {
      if (++rows > most) return null;
      const known = lines.get(key);
      if (known) known.push(line);
      else lines.set(key, [line]);
      begins = false;
    }
    if (c === QUOTE) string = { from: i + 1 };
    else if (c === OPEN_LIST) begins = ++depth === 2;
    else if (c === OPEN_OBJECT) depth++;
    else if (c === CLOSE_LIST || c === CLOSE_OBJECT) {
      depth--;
      begins = false;
    } else if (c === COMMA) begins = depth === 2;
  }
  return lines;
}
const [NEWLINE, SPACE] = [10, 32];
