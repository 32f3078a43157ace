import { readFileSync } from "node:fs";
import { join } from "node:path";
import { readCompiledFlora, type CompiledFlora } from "@/core/flora";
import { buildModel, type Model } from "@/core/identify";
import { perProcess } from "../platform/per-process";

/** The shipped flora, as compiled. */
export const shippedFlora = (): CompiledFlora =>
  perProcess("flora", () =>
    readCompiledFlora(JSON.parse(readFileSync(join(process.cwd(), "public", "flora.json"), "utf8"))),
  );

export const shippedModel = (): Model => perProcess("model", () => buildModel(shippedFlora()));
