export interface JsonLimits {
  /** how many lists and objects may stand in one another */
  depth: number;
  /** how many values there may be in all */
  items: number;
}

const [QUOTE, BACKSLASH, COMMA, OPEN_LIST, CLOSE_LIST, OPEN_OBJECT, CLOSE_OBJECT] = [...'"\\,[]{}'].map((c) =>
  c.charCodeAt(0),
);
const [NEWLINE, SPACE] = [10, 32];

/** Where the string that begins at `from` ends: the place of its closing quote, or the end of the text. */
function endOfString(text: string, from: number): number {
  for (let i = from + 1; i < text.length; i++) {
    const c = text.charCodeAt(i);
    if (c === BACKSLASH) i++;
    else if (c === QUOTE) return i;
  }
  return text.length;
}

const opens = (c: number): boolean => c === OPEN_LIST || c === OPEN_OBJECT;
const closes = (c: number): boolean => c === CLOSE_LIST || c === CLOSE_OBJECT;

/**
 * Looks over a JSON text once, in time that grows with its length alone, before anything is made of it.
 * @returns what is too much, in words, or null
 */
export function checkJsonText(text: string, limits: JsonLimits): string | null {
  let depth = 0;
  let items = 1;
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    if (c === QUOTE) i = endOfString(text, i);
    else if (opens(c)) depth++;
    else if (closes(c)) depth--;
    else if (c === COMMA) items++;
    if (depth > limits.depth) return `lists and objects are nested more than ${limits.depth} deep`;
    if (items > limits.items) return `it has more than ${limits.items} values`;
  }
  return null;
}

/**
 * On which line each row of each list of a pack begins: rows are the members of the lists that stand right inside the outermost object.
 * @returns by the list's name, lines counted from 1; null where there are more than `most` rows in all
 */
export function linesOfRows(text: string, most: number): Map<string, number[]> | null {
  const lines = new Map<string, number[]>();
  let [depth, line, rows] = [0, 1, 0];
  let key = "";
  let begins = false;
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    if (c === NEWLINE) line++;
    if (c <= SPACE) continue;
    if (begins && c !== CLOSE_LIST && !addRow(lines, key, line, ++rows, most)) return null;
    begins = (c === OPEN_LIST && depth === 1) || (c === COMMA && depth === 2);
    depth += Number(opens(c)) - Number(closes(c));
    if (c !== QUOTE) continue;
    const end = endOfString(text, i);
    if (depth === 1) key = text.slice(i + 1, end);
    i = end;
  }
  return lines;
}

function addRow(lines: Map<string, number[]>, key: string, line: number, rows: number, most: number): boolean {
  const known = lines.get(key);
  if (known) known.push(line);
  else lines.set(key, [line]);
  return rows <= most;
}
