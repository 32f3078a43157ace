import { sql } from "drizzle-orm";
import { afterAll, describe, expect, it } from "vitest";
import { closePools, inDistrict } from "@/db/client";
import { verifyChain } from "@/core/records";
import { ledgerEntry } from "@/db/schema";
import { scout } from "../support/acting";
import { OTTER } from "../support/database";

afterAll(closePools);

const rows = async (query: ReturnType<typeof sql>): Promise<{ name: string; n: number }[]> =>
  (await inDistrict(OTTER, (tx) => tx.execute<{ name: string; n: number }>(query), scout)).rows;
const count = async (query: ReturnType<typeof sql>): Promise<number> => (await rows(query)).length;

/** What was there when the demonstration was loaded: other tests add to it. */
const LOADED = sql`(SELECT loaded_at FROM demonstration WHERE district_id = ${OTTER})`;
const PATCH = sql`(SELECT * FROM patch WHERE created_at <= ${LOADED})`;
const FINDING = sql`(SELECT * FROM finding WHERE created_at <= ${LOADED})`;
const PLAN = sql`(SELECT * FROM plan WHERE created_at <= ${LOADED})`;
const ENTRY = sql`(SELECT * FROM ledger_entry WHERE entered_at::timestamptz <= ${LOADED})`;

/** The day at the site of an entry's work. */
const WORK_DAY = sql`((e.body ->> 'from')::timestamptz AT TIME ZONE 'Etc/GMT+8')::date`;

describe("the past of the demonstration", () => {
  it.each([
    [
      "an entry before its finding",
      sql`SELECT 1 FROM ${ENTRY} e JOIN ${PLAN} p ON p.id = e.plan_id JOIN ${FINDING} f ON f.id = p.finding_id WHERE e.kind = 'treatment' AND ${WORK_DAY} < f.day`,
    ],
    [
      "an entry before its patch",
      sql`SELECT 1 FROM ${ENTRY} e JOIN ${PATCH} p ON p.id = e.patch_id WHERE e.kind = 'treatment' AND (e.body ->> 'from')::timestamptz < p.created_at`,
    ],
    [
      "an entry before its plan",
      sql`SELECT 1 FROM ${ENTRY} e JOIN ${PLAN} p ON p.id = e.plan_id WHERE e.kind = 'treatment' AND (e.body ->> 'to')::timestamptz < p.created_at`,
    ],
    [
      "an entry that was written before its work was done",
      sql`SELECT 1 FROM ${ENTRY} e WHERE e.kind = 'treatment' AND e.entered_at::timestamptz < (e.body ->> 'to')::timestamptz - interval '10 minutes'`,
    ],
    [
      "a plan before its finding",
      sql`SELECT 1 FROM ${PLAN} p JOIN ${FINDING} f ON f.id = p.finding_id WHERE p.created_at < f.created_at`,
    ],
    [
      "a patch before its first finding",
      sql`SELECT 1 FROM ${PATCH} p WHERE p.created_at < (SELECT min(f.created_at) FROM ${FINDING} f WHERE f.patch_id = p.id)`,
    ],
    [
      "a check before its treatment",
      sql`SELECT 1 FROM follow_up c JOIN ${ENTRY} e ON e.id = c.ledger_id WHERE c.done_on < ${WORK_DAY}`,
    ],
    ["a check in the future", sql`SELECT 1 FROM follow_up WHERE done_on > current_date + 1`],
    [
      "a confirmation before its finding",
      sql`SELECT 1 FROM finding_event v JOIN ${FINDING} f ON f.id = v.finding_id WHERE v.kind = 'confirmation' AND v.at < f.created_at`,
    ],
    [
      "a report after the work that it allows",
      sql`SELECT 1 FROM report r JOIN ${PLAN} p ON p.finding_id = r.finding_id WHERE r.state = 'acknowledged' AND p.created_at < r.settled_at`,
    ],
    [
      "a place off its site by more than a hundred meters",
      sql`SELECT 1 FROM ${PATCH} p JOIN site s ON s.id = p.site_id WHERE ST_Distance(p.outline::geography, s.boundary::geography) > 100`,
    ],
    [
      "a land plant in the lake",
      sql`SELECT 1 FROM ${PATCH} p JOIN site s ON s.id = p.site_id JOIN feature f ON f.kind = 'lake' WHERE s.name <> 'Mirror Lake landing' AND ST_Within(ST_Centroid(p.outline), f.shape)`,
    ],
    [
      "a water plant on land",
      sql`SELECT 1 FROM ${PATCH} p JOIN site s ON s.id = p.site_id JOIN feature f ON f.kind = 'lake' WHERE s.name = 'Mirror Lake landing' AND NOT ST_Within(ST_Centroid(p.outline), f.shape)`,
    ],
    [
      "two visits that wait on one patch",
      sql`SELECT patch_id FROM follow_up WHERE done_on IS NULL AND dropped_at IS NULL GROUP BY 1 HAVING count(*) > 1`,
    ],
    [
      "a day of work outside its window",
      sql`SELECT 1 FROM ${PLAN} p WHERE p.state <> 'dropped' AND EXISTS (SELECT 1 FROM unnest(p.on_days) day WHERE day NOT BETWEEN p.window_from AND p.window_to)`,
    ],
    [
      "a sowing before the work that it follows",
      sql`SELECT 1 FROM ${PLAN} p JOIN plan w ON w.id = p.follows_plan WHERE p.intended_on <= w.intended_on`,
    ],
    ["two patches of one name on a site", sql`SELECT site_id, name FROM ${PATCH} p GROUP BY 1, 2 HAVING count(*) > 1`],
    [
      "a plan on a finding that says nothing, or another plant",
      sql`SELECT 1 FROM ${PLAN} p JOIN ${FINDING} f ON f.id = p.finding_id WHERE f.verdict <> 'clear' AND NOT f.overruled`,
    ],
  ])("has not %s", async (_, query) => expect(await count(query)).toBe(0));

  it("has a story of each kind", async () => {
    const told = await rows(sql`
      SELECT 'void' AS name, count(*)::int AS n FROM ledger_entry WHERE kind = 'void'
      UNION ALL SELECT 'correction', count(*)::int FROM ledger_entry WHERE kind = 'treatment' AND supersedes IS NOT NULL
      UNION ALL SELECT 'overruling', count(*)::int FROM finding_event WHERE kind = 'overruling'
      UNION ALL SELECT 'confirmation', count(*)::int FROM finding_event WHERE kind = 'confirmation'
      UNION ALL SELECT 'protected patch', count(*)::int FROM patch WHERE protected
      UNION ALL SELECT 'kept patch', count(*)::int FROM patch WHERE taxon = 'Heracleum maximum'
      UNION ALL SELECT 'report sent back', count(*)::int FROM report WHERE state = 'refused'
      UNION ALL SELECT 'report acknowledged', count(*)::int FROM report WHERE state = 'acknowledged'
      UNION ALL SELECT 'missed season', count(*)::int FROM plan WHERE state = 'dropped' AND dropped_why LIKE 'The window closed%'
      UNION ALL SELECT 'closed gate', count(*)::int FROM plan p JOIN patch a ON a.id = p.patch_id JOIN list_entry l ON l.site_id = a.site_id AND l.plant_id = p.plant_id WHERE p.state = 'planned' AND l.status = 'tolerated'
      UNION ALL SELECT 'water seen', count(*)::int FROM water_seen
      UNION ALL SELECT 'site whose water nobody has mapped', count(*)::int FROM site WHERE water IS NULL
      UNION ALL SELECT 'size measured', count(*)::int FROM stand_size
      UNION ALL SELECT 'water that may not be lowered', count(*)::int FROM place_word WHERE word = 'water-can-be-lowered' AND NOT holds
      UNION ALL SELECT 'ground that is cleared', count(*)::int FROM place_word WHERE word = 'ground-cleared' AND holds
      UNION ALL SELECT 'plan moved', count(*)::int FROM change WHERE what = 'plan' AND act = 'update' AND before -> 'on_days' <> after -> 'on_days'
      UNION ALL SELECT 'plan handed over', count(*)::int FROM plan WHERE cardinality(former_ids) > 0
      UNION ALL SELECT 'plan of several days', count(*)::int FROM plan WHERE cardinality(on_days) > 1
      UNION ALL SELECT 'plan of a crew', count(*)::int FROM plan WHERE crew_id IS NOT NULL
      UNION ALL SELECT 'part done', count(*)::int FROM change WHERE what = 'plan' AND (after ->> 'done_share')::float8 BETWEEN 0.01 AND 0.99
      UNION ALL SELECT 'treated again after a check', count(*)::int FROM plan WHERE after_check IS NOT NULL
      UNION ALL SELECT 'sown afterward', count(*)::int FROM plan WHERE follows_plan IS NOT NULL AND state = 'done'
      UNION ALL SELECT 'label that changed', count(*)::int FROM label WHERE replaces IS NOT NULL
      UNION ALL SELECT 'plan under a label that changed', count(*)::int FROM plan p JOIN label l ON l.replaces = p.label_id WHERE p.state = 'planned'
      UNION ALL SELECT 'label with its PDF', count(*)::int FROM label_paper
      UNION ALL SELECT 'label that names sites, stages and plants', count(*)::int FROM label WHERE limits ? 'sitesNamed' AND limits ? 'stagesNamed' AND limits ? 'plantsNamed'
      UNION ALL SELECT 'one site of action for a third season', count(*)::int FROM plan p WHERE p.state = 'planned' AND p.label_id IS NOT NULL AND (SELECT count(DISTINCT left(e.body ->> 'from', 4)) FROM ledger_entry e WHERE e.patch_id = p.patch_id AND e.body #>> '{product,limits,siteOfAction}' = '9') >= 2
      UNION ALL SELECT 'own word on a method', count(*)::int FROM own_method
      UNION ALL SELECT 'finding that waits for practice', count(*)::int FROM finding f JOIN drill_set s ON f.plant_id = ANY(s.required_for) WHERE f.verdict = 'clear' AND f.made_by = 'Tansy Quillfeather' AND f.created_at > s.created_at
      UNION ALL SELECT 'set that is due', count(*)::int FROM drill_set WHERE due > current_date
      UNION ALL SELECT 'learner who mixed a pair up', count(DISTINCT person_id)::int FROM drill_answer WHERE NOT "right" AND chosen <> taxon
      UNION ALL SELECT 'learner who shows answers', count(*)::int FROM drill_consent WHERE consents
      UNION ALL SELECT 'patch that is gone', count(*)::int FROM patch WHERE state = 'gone'
      UNION ALL SELECT 'open plan', count(*)::int FROM plan WHERE state = 'planned'
      UNION ALL SELECT 'check that is due', count(*)::int FROM follow_up WHERE done_on IS NULL AND dropped_at IS NULL AND due_on <= current_date
      UNION ALL SELECT 'notes of checks', (count(DISTINCT result ->> 'note') / 6)::int FROM follow_up WHERE done_on IS NOT NULL`);
    expect(told.filter(({ n }) => n < 1)).toEqual([]);
  });

  it.each([
    ["broom and gorse on the bluff", ["Cytisus scoparius", "Ulex europaeus"]],
    ["a giant umbel by the river", ["Heracleum mantegazzianum"]],
    ["an escaped clematis in the river wood", ["Clematis vitalba"]],
    ["annual grasses between bunchgrasses", ["Taeniatherum caput-medusae", "Ventenata dubia"]],
    ["a shade grass in the wood", ["Brachypodium sylvaticum"]],
    ["a yellow daisy in the hay", ["Jacobaea vulgaris"]],
    ["brambles at the edge", ["Rubus armeniacus", "Rubus laciniatus"]],
    ["a cane on the bar", ["Reynoutria ×bohemica", "Reynoutria japonica"]],
    ["weeds of the lake", ["Myriophyllum spicatum", "Egeria densa", "Ludwigia peploides"]],
  ])("can be followed from first finding to last check: %s", async (_, plants) => {
    const told = await rows(sql`
      SELECT a.taxon AS name, count(*)::int AS n FROM ${FINDING} f JOIN ${PATCH} a ON a.id = f.patch_id
        JOIN ${PLAN} p ON p.finding_id = f.id JOIN ${ENTRY} e ON e.plan_id = p.id
        JOIN follow_up c ON c.ledger_id = e.id
       WHERE f.overruled OR f.verdict = 'clear' GROUP BY 1 HAVING count(c.done_on) > 0`);
    expect(told.map(({ name }) => name).filter((name) => plants.includes(name))).not.toEqual([]);
  });

  it("was written in the order in which it happened, in a chain that holds", async () => {
    const entries = await inDistrict(OTTER, (tx) => tx.select().from(ledgerEntry).orderBy(ledgerEntry.seq), scout);
    expect(await verifyChain(entries)).toMatchObject({ ok: true });
    const written = entries.map((e) => Date.parse(e.enteredAt));
    expect(written).toEqual([...written].sort((a, b) => a - b));
  });
});
