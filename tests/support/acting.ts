import { eq, sql } from "drizzle-orm";
import { inDistrict } from "@/db/client";
import { membership } from "@/db/schema";
import { makePlan } from "@/server/control/make-plan";
import { planningFor } from "@/server/control/planning";
import { saveFinding } from "@/server/findings/findings";
import { savePatch } from "@/server/ground/ground";
import type { Member } from "@/server/platform/session";
import { member, OTTER, uuidv7 } from "./database";

/** What shows a giant hogweed in leaf beyond doubt. */
const saw = (character: string, state: string) => ({ character, states: [state] });
export const HOGWEED_SEEN = [
  saw("plant-kind", "herb"),
  saw("stem-marks", "blotched"),
  saw("stem-hair", "bristly"),
  saw("leaf-lobes", "deep"),
  saw("leaf-edge", "coarse"),
  saw("stalk-foot", "bladder"),
  saw("stem-hollow", "hollow"),
  saw("stem-ridges", "ridged"),
  saw("leaf-tip", "drawn-out"),
  saw("root-kind", "taproot"),
  { character: "leaf-length", values: [110, 95] },
  saw("leaf-kind", "simple"),
  saw("ground", "riverbank"),
  saw("leaf-hair-above", "none"),
  saw("clump", "single"),
];
export const HOGWEED = "Heracleum mantegazzianum";

export const scout = member(["scout"]);
export const specialist = member(["specialist", "scout"]);
export const keeper = member(["keeper", "specialist"]);
export const visitor = member(["visitor"]);

/** A member of the demonstration, with the id and the roles of the register. */
export async function memberCalled(email: string): Promise<Member> {
  const [row] = await inDistrict(OTTER, (tx) => tx.select().from(membership).where(eq(membership.email, email)));
  if (!row) throw new Error(`nobody here has the address ${email}`);
  return { ...member(row.roles), personId: row.personId, personName: row.name };
}

export const siteNamed = (name: string): Promise<string> =>
  inDistrict(OTTER, async (tx) => {
    const { rows } = await tx.execute<{ id: string }>(sql`SELECT id FROM site WHERE name = ${name}`);
    if (!rows[0]) throw new Error(`no site is called ${name}`);
    return rows[0].id;
  });

let places = 0;
/** A fresh patch on a site, square and about 350 m². */
export async function freshPatch(siteId: string, taxon = HOGWEED): Promise<string> {
  const id = uuidv7();
  const [x, y] = [-131.175 + places++ * 0.0003, 44.365];
  const ring = [
    [x, y],
    [x + 0.0002, y],
    [x + 0.0002, y + 0.0002],
    [x, y + 0.0002],
    [x, y],
  ];
  await savePatch(scout, { id, siteId, taxon, name: "Test bank", outline: { type: "Polygon", coordinates: [ring] } });
  return id;
}

/** A hogweed by the river that is clear to act, on a patch of its own. */
export async function clearHogweed(extra: object = {}): Promise<{ id: string; patchId: string; siteId: string }> {
  const siteId = await siteNamed("Otter Reach, river wood");
  const patchId = await freshPatch(siteId);
  const { id, verdict } = await saveFinding(scout, {
    id: uuidv7(),
    siteId,
    patchId,
    place: { longitude: -131.2, latitude: 44.35 },
    day: "2026-06-09",
    stage: "vegetative",
    observations: HOGWEED_SEEN,
    ...extra,
  });
  if (verdict !== "clear") throw new Error(`the finding is ${verdict}`);
  return { id, patchId, siteId };
}

/** Plans the first method that suits, for a person. @param product whether it uses one */
export async function planOn(findingId: string, personId: string, product = false): Promise<string> {
  const view = await planningFor(specialist, findingId);
  const advice = view.advice.find((a) => a.window && (a.method.kind === "product") === product);
  return makePlan(specialist, {
    findingId,
    method: advice?.method.id,
    intendedOn: advice?.window?.from,
    personId,
    cover: "nothing",
    coverWhy: "The meadow closes by itself.",
  });
}

/** A treatment as it is sent, on a day at the site. */
export const workOn = (day: string, extra: object = {}) => ({
  from: `${day}T08:00`,
  to: `${day}T10:00`,
  areaM2: 300,
  stage: "vegetative",
  equipment: "sheet",
  ...extra,
});
