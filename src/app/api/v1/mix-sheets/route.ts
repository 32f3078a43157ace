import { z } from "zod";
import type { MixEntry } from "@/components/mix/mix-entry";
import { calibrationSheet, tailgateCard } from "@/components/mix/mix-sheets";
import { SYSTEMS } from "@/components/mix/mix-units";
import { isDemonstration } from "@/env";
import { sheetToPdf } from "@/papers/sheet-pdf";
import { benchPackOf } from "@/server/flora/bench-pack";
import { Refusal } from "@/server/platform/faults";
import { pdfResponse } from "@/server/platform/pdf-response";
import { respond } from "@/server/platform/respond";
import { requireRole } from "@/server/platform/session";

const MOST_FIELDS = 60;
const MOST_LETTERS = 4000;
const entrySchema = z.object({
  system: z.enum(SYSTEMS),
  typed: z
    .record(z.string().max(40), z.string().max(600))
    .refine((typed) => Object.keys(typed).length <= MOST_FIELDS, `at most ${MOST_FIELDS} numbers`),
});
const wanted = z.object({
  what: z.enum(["card", "calibration"]),
  plan: z.union([z.uuid(), z.literal("")]).default(""),
  entry: z.string().max(MOST_LETTERS),
});

/** The numbers of a mix, which the device keeps, as a PDF: nothing of them is stored. Limits come from the district's own labels. */
export async function GET(request: Request) {
  return respond(async () => {
    const member = await requireRole();
    const { what, plan, entry } = wanted.parse(Object.fromEntries(new URL(request.url).searchParams));
    const mix: MixEntry = entrySchema.parse(readJson(entry));
    const pack = await benchPackOf(member, isDemonstration());
    const work = pack.work.find(({ planId }) => planId === plan);
    const origin = { plan: work ? `${work.title}, ${work.patch}` : null, person: pack.person, day: pack.today };
    const sheet = what === "card" ? tailgateCard(mix, pack.labels, origin) : calibrationSheet(mix, origin);
    if (!sheet)
      throw new Refusal(400, "A number is missing.", [
        { field: "entry", what: "type in every number that the screen asks for" },
      ]);
    return pdfResponse(await sheetToPdf(sheet), what === "card" ? "tailgate-card" : "calibration-sheet");
  });
}

function readJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new Refusal(400, "The numbers of the mix are not valid JSON.", [
      { field: "entry", what: "an object as JSON" },
    ]);
  }
}
