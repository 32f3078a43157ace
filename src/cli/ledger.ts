import { asc } from "drizzle-orm";
import { InputError } from "@/core/errors";
import { type ChainEnd, verifyChain } from "@/core/records";
import { closePools, verifyDatabase } from "@/db/client";
import { district, ledgerAnchor, ledgerEntry } from "@/db/schema";
import { printJson, run } from "./output";

const flag = (name: string) => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? undefined : (process.argv[at + 1] ?? "");
};

/** What someone has on paper of one ledger: the hash of its last entry then, and how many there were. */
function printedEnd(): (ChainEnd & { exact: boolean; who: string }) | null {
  const [head, count] = [flag("head"), flag("count")];
  if (head === undefined && count === undefined) return null;
  if (!/^[0-9a-f]{64}$/.test(head ?? ""))
    throw new InputError("no-hash", "--head", head, "give the 64 letters that are printed");
  if (!/^\d+$/.test(count ?? ""))
    throw new InputError("no-number", "--count", count, "give the number that is printed");
  return { seq: Number(count), hash: head as string, exact: false, who: "the print" };
}

/**
 * Checks every ledger of a database against itself, against the anchors that the database keeps, and, with --head and --count, against
 * a print. Exits with 1 where one is broken, cut or gone.
 */
run(async () => {
  if (process.argv[2] !== "verify") throw new InputError("unknown-command", "command", process.argv[2], "give: verify");
  const printed = printedEnd();
  const database = verifyDatabase();
  const [districts, anchors, entries] = await Promise.all([
    database.select({ id: district.districtId }).from(district),
    database.select().from(ledgerAnchor),
    database.select().from(ledgerEntry).orderBy(asc(ledgerEntry.seq)),
  ]);
  await closePools();
  const here = new Set(districts.map((d) => d.id));
  const all = new Set([...here, ...anchors.map((a) => a.districtId), ...entries.map((e) => e.districtId)]);
  const checked = await Promise.all(
    [...all].map(async (id) => {
      const own = entries.filter((e) => e.districtId === id);
      const anchor = anchors.find((a) => a.districtId === id);
      const unanchored = { seq: 0, hash: "0".repeat(64), exact: true, who: "the database, which has no anchor," };
      const check = await verifyChain(own, [anchor ? { ...anchor, exact: true, who: "the anchor" } : unanchored]);
      return here.has(id)
        ? { id, ...check }
        : { id, ...check, ok: false, problem: "the district is gone; its ledger or its anchor is not" };
    }),
  );
  // A print says of which head it is, not of which district: one ledger must have had that entry.
  const matches = async (e: { id: string }) =>
    printed !== null &&
    (
      await verifyChain(
        entries.filter((x) => x.districtId === e.id),
        [printed],
      )
    ).ok;
  const found = printed === null || (await Promise.all(checked.map(matches))).some(Boolean);
  printJson({
    districts: checked,
    ...(printed
      ? { print: { ok: found, ...(found ? {} : { problem: "no ledger here had this entry at this number" }) } }
      : {}),
  });
  if (!found || checked.some((c) => !c.ok)) process.exitCode = 1;
});
