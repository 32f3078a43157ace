import { inArray, sql } from "drizzle-orm";
import { methodOf } from "@/core/control";
import { addDays } from "@/core/time";
import type { Transaction } from "@/db/client";
import { feature, patch } from "@/db/schema";
import { type MapPolygon, type MapShape, mapShapeSchema, polygonSchema } from "@/contracts/ground";
import type { PlanLine } from "../control/plan-lines";
import { kitNames, methodBookHere } from "../flora/own-methods";
import { type CrewLine, crewsHere } from "../people/crews";
import { asMember, type Member } from "../platform/session";
import { seasonView } from "./season-view";

export interface SheetTask {
  /** number of the patch on the sheet's map */
  number: number;
  line: PlanLine;
  cautions: string[];
  kit: string[];
}

export interface WeekSheet {
  monday: string;
  days: { day: string; tasks: SheetTask[] }[];
  /** work of the week without a day in it: its window closes, or it was missed */
  undated: SheetTask[];
  kit: string[];
  map: { patches: { number: number; outline: MapPolygon }[]; lines: { kind: string; name: string; shape: MapShape }[] };
  people: { id: string; name: string }[];
  crews: CrewLine[];
}

/** Whose sheet it is: a person, a crew, or everyone where it is null. */
export type SheetOf = { person: string } | { crew: string } | null;

/** The work of a week for a person or a crew, with what to take along and where it is. */
export async function weekSheet(member: Member, monday: string | undefined, of: SheetOf): Promise<WeekSheet> {
  const view = await seasonView(member, monday);
  return asMember(member, async (tx) => {
    const crews = await crewsHere(tx);
    const lines = view.week.filter((line) => isIn(line, of));
    const numbers = new Map([...new Set(lines.map(({ plan }) => plan.patchId))].map((id, i) => [id, i + 1]));
    const book = await methodBookHere(tx);
    const tasks = lines.map((line): SheetTask => {
      const method = methodOf(book, line.plan.method);
      return {
        line,
        number: numbers.get(line.plan.patchId) ?? 0,
        cautions: method?.cautions ?? [],
        kit: kitNames(method),
      };
    });
    const week = Array.from({ length: 7 }, (_, i) => addDays(view.monday, i));
    const dated = (task: SheetTask) => task.line.plan.onDays.some((day) => week.includes(day));
    const people = new Map(view.lines.map(({ plan, person }) => [plan.personId, person]));
    return {
      monday: view.monday,
      days: week.map((day) => ({ day, tasks: tasks.filter(({ line }) => line.plan.onDays.includes(day)) })),
      undated: tasks.filter((task) => !dated(task)),
      kit: [...new Set(tasks.flatMap(({ kit }) => kit))].sort(),
      map: await mapOf(tx, numbers),
      people: [...people].map(([id, name]) => ({ id, name })).sort((a, b) => a.name.localeCompare(b.name)),
      crews,
    };
  });
}

const isIn = ({ plan }: PlanLine, of: SheetOf): boolean =>
  of === null ||
  ("person" in of ? plan.personId === of.person || plan.helperIds.includes(of.person) : plan.crewId === of.crew);

/** Patches with their numbers, and what of rivers, lakes and tracks lies among them. */
async function mapOf(tx: Transaction, numbers: Map<string, number>): Promise<WeekSheet["map"]> {
  if (numbers.size === 0) return { patches: [], lines: [] };
  const ids = [...numbers.keys()];
  const rows = await tx
    .select({ id: patch.id, outline: sql<string>`ST_AsGeoJSON(${patch.outline}, 6)` })
    .from(patch)
    .where(inArray(patch.id, ids));
  const lines = await tx
    .select({ kind: feature.kind, name: feature.name, shape: sql<string>`ST_AsGeoJSON(${feature.shape}, 6)` })
    .from(feature)
    .where(
      sql`${feature.kind} IN ('river', 'creek', 'lake', 'track') AND ${feature.shape} && ST_Expand((SELECT ST_Extent(outline)::geometry FROM patch WHERE id IN (${sql.join(
        ids.map((id) => sql`${id}::uuid`),
        sql`, `,
      )})), 0.005)`,
    )
    .limit(200);
  return {
    patches: rows.map(({ id, outline }) => ({
      number: numbers.get(id) ?? 0,
      outline: polygonSchema.parse(JSON.parse(outline)),
    })),
    lines: lines.flatMap(({ kind, name, shape }) => {
      const read = mapShapeSchema.safeParse(JSON.parse(shape));
      return read.success ? [{ kind, name, shape: read.data }] : [];
    }),
  };
}
