import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { includesWords, pageOf, readTableQuery, type TableQuery, tableAddress } from ".";

const FIRST = { sort: "no", descending: true };
const SORTABLE = ["no", "name"];
interface Row {
  no: number;
  name: string;
}
const OF = {
  key: (row: Row) => String(row.no),
  text: (row: Row) => row.name,
  sort: (row: Row, column: string) => (column === "no" ? row.no : row.name),
};
const ROWS = fc.uniqueArray(fc.record({ no: fc.nat(500), name: fc.constantFrom("Alder", "birch", "Ash", "élm") }), {
  selector: (row) => row.no,
  maxLength: 60,
});
const ASKED = fc.record({
  find: fc.constantFrom("", "a", "elm"),
  sort: fc.constantFrom("no", "name"),
  descending: fc.boolean(),
});
const from = (asked: Pick<TableQuery, "find" | "sort" | "descending">, key: Partial<TableQuery> = {}): TableQuery => ({
  ...asked,
  after: null,
  before: null,
  ...key,
});

/** All pages from the first on, by the key of the last row of each. */
function walk(rows: Row[], asked: Pick<TableQuery, "find" | "sort" | "descending">, size: number) {
  const pages = [pageOf(rows, OF, from(asked), size)];
  for (let next = pages[0]?.next ?? null; next !== null; next = pages.at(-1)?.next ?? null)
    pages.push(pageOf(rows, OF, from(asked, { after: next }), size));
  return pages;
}

describe("the pages of a table", () => {
  it("show every row that is found, once, in order", () => {
    fc.assert(
      fc.property(ROWS, ASKED, fc.integer({ min: 1, max: 9 }), (rows, asked, size) => {
        const shown = walk(rows, asked, size).flatMap((page) => page.rows);
        const whole = pageOf(rows, OF, from(asked), 1000);
        expect(shown).toEqual(whole.rows);
        expect(shown).toHaveLength(rows.filter((row) => includesWords(row.name, asked.find)).length);
        expect(whole.found).toBe(shown.length);
      }),
    );
  });

  it("lead back to the page from which one came", () => {
    fc.assert(
      fc.property(ROWS, ASKED, fc.integer({ min: 1, max: 9 }), (rows, asked, size) => {
        const pages = walk(rows, asked, size);
        for (let i = pages.length - 1; i > 0; i--)
          expect(pageOf(rows, OF, from(asked, { before: pages[i]?.previous ?? null }), size).rows).toEqual(
            pages[i - 1]?.rows,
          );
        expect(pages[0]?.previous).toBeNull();
      }),
    );
  });

  it("begin anew where the row that a page began at is gone", () => {
    const rows = [{ no: 1, name: "Ash" }];
    expect(pageOf(rows, OF, from(FIRST_ASKED, { after: "99" })).rows).toEqual(rows);
    expect(pageOf(rows, OF, from(FIRST_ASKED, { before: "99" })).rows).toEqual(rows);
  });
});
const FIRST_ASKED = { ...FIRST, find: "" };

describe("an address of a table", () => {
  it("is read as it was written", () => {
    fc.assert(
      fc.property(ASKED, fc.option(fc.uuid()), (asked, after) => {
        const query = from(asked, { after });
        const params = Object.fromEntries(
          new URL(tableAddress("/x", query, { state: "done" }), "http://x").searchParams,
        );
        expect(params.state).toBe("done");
        expect(readTableQuery(params, SORTABLE, FIRST)).toEqual(query);
      }),
    );
  });

  it("that no table was asked shows what the page shows first", () => {
    expect(readTableQuery({ sort: "hash.up", find: ["oak", "x"] }, SORTABLE, FIRST)).toEqual(
      from({ ...FIRST, find: "oak" }),
    );
    expect(readTableQuery({ after: "3", before: "4" }, SORTABLE, FIRST)).toEqual(from(FIRST_ASKED, { after: "3" }));
  });
});
