import { fromZonedTime } from "@/core/time";

const text = (form: FormData, name: string) => String(form.get(name) ?? "").trim();
const optional = (form: FormData, name: string) => text(form, name) || undefined;
const number = (form: FormData, name: string) =>
  text(form, name) === "" ? undefined : Number(text(form, name).replace(",", "."));

/** The record form as the ledger wants it: times of the site turned into instants, empty fields left out. */
export function readTreatmentForm(form: FormData): unknown {
  const zone = text(form, "zone");
  const product = text(form, "product.labelId");
  const treatment = {
    // taken from the register where the record is written
    who: "the register says",
    from: fromZonedTime(`${text(form, "day")}T${text(form, "fromTime")}`, zone),
    to: fromZonedTime(`${text(form, "day")}T${text(form, "toTime")}`, zone),
    zone,
    siteName: text(form, "siteName"),
    patchName: text(form, "patchName"),
    areaM2: number(form, "areaM2"),
    taxon: text(form, "taxon"),
    stage: text(form, "stage"),
    method: text(form, "method"),
    methodName: text(form, "methodName"),
    equipment: text(form, "equipment"),
    windMS: number(form, "windMS"),
    windFrom: optional(form, "windFrom"),
    temperatureC: number(form, "temperatureC"),
    waterDistanceM: null,
    note: text(form, "note"),
    correctionReason: optional(form, "correctionReason"),
    ...(product
      ? {
          product: {
            labelId: product,
            labelName: "as entered",
            limits: { rateUnit: "L" },
            ratePerHa: number(form, "product.ratePerHa"),
            total: number(form, "product.total"),
            carrierL: number(form, "product.carrierL") ?? 0,
          },
        }
      : {}),
  };
  return {
    id: text(form, "id"),
    patchId: text(form, "patchId"),
    planId: optional(form, "planId") ?? null,
    supersedes: optional(form, "supersedes") ?? null,
    treatment,
  };
}

export function readLabelForm(form: FormData): unknown {
  const limits = {
    registration: optional(form, "registration"),
    siteOfAction: optional(form, "siteOfAction"),
    rateUnit: text(form, "rateUnit"),
    ratePerHaMax: number(form, "ratePerHaMax"),
    seasonMaxPerHa: number(form, "seasonMaxPerHa"),
    windMaxMS: number(form, "windMaxMS"),
    windMinMS: number(form, "windMinMS"),
    temperatureMaxC: number(form, "temperatureMaxC"),
    temperatureMinC: number(form, "temperatureMinC"),
    rainFreeHours: number(form, "rainFreeHours"),
    reentryHours: number(form, "reentryHours"),
    grazingDays: number(form, "grazingDays"),
    hayingDays: number(form, "hayingDays"),
    waterBufferM: number(form, "waterBufferM"),
  };
  return { id: text(form, "id"), name: text(form, "name"), limits };
}
