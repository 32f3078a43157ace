import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { STATUSES } from "../flora";
import { VERDICTS } from "../identify";
import { type FoundOnPatch, type GateCase, mayAct } from "./gate";

const found = (extra: Partial<FoundOnPatch> = {}): FoundOnPatch => ({
  number: 10,
  day: "2026-05-10",
  verdict: "clear",
  taxon: "Cytisus scoparius",
  overruled: false,
  ...extra,
});
/** All is as it should be: the gate is open. */
const OPEN: GateCase = {
  act: "plan",
  day: "2026-06-01",
  hemisphere: "north",
  finding: found(),
  status: "target",
  report: "not-needed",
  later: [],
  seasons: 1,
  foundAgain: [],
  practice: null,
  patchWithdrawn: false,
  method: { name: "Spot treatment", kind: "product" },
  rules: {},
  person: { name: "T. Quillfeather", roles: ["applicator"], licence: "INV-1", licenceExpires: "2026-06-01" },
};
const codes = (change: Partial<GateCase>) => mayAct({ ...OPEN, ...change }).map((reason) => reason.code);
const later = (extra: Partial<FoundOnPatch>) => codes({ later: [found({ number: 11, day: "2026-05-20", ...extra })] });

describe("the gate", () => {
  it("is open where all of it holds", () => expect(mayAct(OPEN)).toEqual([]));

  it("lets be sown after control whatever was found since, by whoever may, on a patch that stands", () => {
    const sowing = {
      method: { name: "Sow", kind: "follow" as const },
      status: "kept" as const,
      report: "none" as const,
    };
    expect(codes({ ...sowing, finding: found({ verdict: "hold", day: "2019-05-01" }) })).toEqual([]);
    expect(codes({ ...sowing, patchWithdrawn: true })).toEqual(["withdrawn"]);
    expect(codes({ ...sowing, person: { ...OPEN.person, roles: ["scout"] } as GateCase["person"] })).toEqual(["role"]);
  });

  it.each(VERDICTS.filter((v) => v !== "clear"))("is closed by a verdict of %s", (verdict) =>
    expect(codes({ finding: found({ verdict }) })).toEqual(["verdict"]),
  );
  it("is opened by an overruling in writing, and not without a plant", () => {
    expect(codes({ finding: found({ verdict: "hold", overruled: true }) })).toEqual([]);
    expect(codes({ finding: found({ taxon: null }) })).toContain("verdict");
  });

  it("waits for a confirmation where the finder has not passed the set that is asked for, unless a specialist overruled", () => {
    expect(codes({ practice: "Hogweeds" })).toEqual(["practice"]);
    expect(codes({ practice: "Hogweeds", finding: found({ verdict: "hold", overruled: true }) })).toEqual([]);
    expect(mayAct({ ...OPEN, practice: "Hogweeds" })[0]?.what).toMatch(/“Hogweeds”.*has not passed/);
  });

  it.each(STATUSES)("asks the list of that day: %s", (status) =>
    expect(codes({ status })).toEqual(status === "target" || status === "watch" ? [] : ["list"]),
  );
  it("is closed for a plant on no list: it counts as kept", () => expect(codes({ status: null })).toEqual(["list"]));

  it.each(["keep", "hold", "unknown"] as const)("is closed by a later finding that says %s", (verdict) =>
    expect(later({ verdict, taxon: null })).toEqual(["later-finding"]),
  );
  it("is closed by a later finding, or overruling, of another plant, and not by one of the same", () => {
    expect(later({ taxon: "Genista tinctoria" })).toEqual(["later-finding"]);
    expect(later({ verdict: "hold", overruled: true, taxon: "Genista tinctoria" })).toEqual(["later-finding"]);
    expect(later({ verdict: "hold", overruled: true })).toEqual([]);
    expect(later({})).toEqual([]);
  });
  it("is not closed by an open finding, an earlier one, or one after the day of the act", () => {
    expect(later({ verdict: "open", taxon: null })).toEqual([]);
    expect(later({ verdict: "keep", day: "2026-05-09" })).toEqual([]);
    expect(later({ verdict: "keep", day: "2026-06-02" })).toEqual([]);
    expect(later({ verdict: "keep", day: "2026-06-01" })).toEqual(["later-finding"]);
  });
  it("tells findings of one day apart by their number", () => {
    expect(later({ verdict: "keep", day: "2026-05-10", number: 9 })).toEqual([]);
    expect(later({ verdict: "keep", day: "2026-05-10", number: 11 })).toEqual(["later-finding"]);
  });

  it("lets a finding count in its season and as many more as the district says", () => {
    expect(codes({ finding: found({ day: "2025-01-01" }) })).toEqual([]);
    expect(codes({ finding: found({ day: "2024-12-31" }) })).toEqual(["too-old"]);
    expect(codes({ finding: found({ day: "2024-12-31" }), seasons: 2 })).toEqual([]);
    expect(codes({ finding: found({ day: "2025-12-31" }), seasons: 0 })).toEqual(["too-old"]);
  });
  it("counts seasons from July south of the equator", () => {
    const south = (day: string) => codes({ hemisphere: "south", seasons: 0, finding: found({ day }) });
    expect(south("2025-07-01")).toEqual([]);
    expect(south("2025-06-30")).toEqual(["too-old"]);
  });
  it("is kept open by a later check that found the plant again, up to the day of the act", () => {
    const old = found({ day: "2022-05-10" });
    expect(codes({ finding: old, foundAgain: ["2025-06-01"] })).toEqual([]);
    expect(codes({ finding: old, foundAgain: ["2026-06-02"] })).toEqual(["too-old"]);
  });

  it.each([
    ["none", ["report"]],
    ["waiting", ["report"]],
    ["acknowledged", []],
    ["waived", []],
    ["not-needed", []],
  ] as const)("waits for a report that is needed: %s", (report, reasons) => expect(codes({ report })).toEqual(reasons));

  it("keeps the rules of the site", () => {
    expect(codes({ rules: { noProduct: true } })).toEqual(["rules"]);
    const machine = { name: "Mow", kind: "machine" } as const;
    expect(codes({ rules: { noMachines: true }, method: machine })).toEqual(["rules"]);
    expect(codes({ rules: { noProduct: true }, method: machine })).toEqual([]);
    expect(codes({ rules: { noMachines: true } })).toEqual([]);
  });

  it("is closed on a patch that was withdrawn", () => expect(codes({ patchWithdrawn: true })).toEqual(["withdrawn"]));

  it("asks for the role of that day", () => {
    const person = OPEN.person;
    if (!person) throw new Error("the open case has a person");
    expect(codes({ person: { ...person, roles: ["scout", "keeper"] } })).toEqual(["role"]);
    expect(codes({ person: { ...person, roles: ["specialist"] } })).toEqual([]);
    expect(codes({ person: null })).toEqual(["role"]);
  });
  it("asks for the license of that day where a product is used, its last day included", () => {
    const person = OPEN.person;
    if (!person) throw new Error("the open case has a person");
    expect(codes({ person: { ...person, licenceExpires: "2026-05-31" } })).toEqual(["license"]);
    expect(codes({ person: { ...person, licence: null } })).toEqual(["license"]);
    expect(codes({ person: { ...person, licenceExpires: null } })).toEqual([]);
    const hand = { name: "Pull", kind: "hand" } as const;
    expect(codes({ person: { ...person, licence: null }, method: hand })).toEqual([]);
  });

  it("says all that is against it, once each, and opens nothing by closing something else", () => {
    const changes: Partial<GateCase>[] = [
      { status: "kept" },
      { report: "none" },
      { patchWithdrawn: true },
      { rules: { noProduct: true } },
      { person: null },
      { later: [found({ number: 12, day: "2026-05-30", verdict: "keep" })] },
      { seasons: 0, finding: found({ day: "2024-05-10", verdict: "hold" }) },
    ];
    fc.assert(
      fc.property(fc.subarray(changes), (some) => {
        const each = some.flatMap((change) => codes(change));
        const all = codes(Object.assign({}, ...some));
        expect(new Set(all)).toEqual(new Set(each));
        expect(new Set(all).size).toBe(all.length);
      }),
    );
  });
});
