const text = (form: FormData, name: string) => String(form.get(name) ?? "").trim();
const optional = (form: FormData, name: string) => text(form, name) || undefined;
const number = (form: FormData, name: string) =>
  text(form, name) === "" ? undefined : Number(text(form, name).replace(",", "."));

/** What is ticked of each list; a list of which nothing is ticked is left out. */
const ticked = (form: FormData, ...names: string[]) =>
  Object.fromEntries(names.flatMap((name) => (form.has(name) ? [[name, form.getAll(name).map(String)]] : [])));

/** The record form as the ledger wants it: times of the site, empty fields left out. */
export function readTreatmentForm(form: FormData): unknown {
  const product = text(form, "product.labelId");
  return {
    id: text(form, "id"),
    planId: optional(form, "planId") ?? null,
    supersedes: optional(form, "supersedes") ?? null,
    againstGate: optional(form, "againstGate"),
    patchId: optional(form, "patchId"),
    ...(text(form, "donePercent") ? { doneShare: (number(form, "donePercent") ?? 0) / 100 } : {}),
    treatment: {
      from: `${text(form, "day")}T${text(form, "fromTime")}`,
      to: `${text(form, "day")}T${text(form, "toTime")}`,
      areaM2: number(form, "areaM2"),
      stage: text(form, "stage"),
      equipment: text(form, "equipment"),
      windMS: number(form, "windMS"),
      windFrom: optional(form, "windFrom"),
      temperatureC: number(form, "temperatureC"),
      note: text(form, "note"),
      correctionReason: optional(form, "correctionReason"),
      ...(product
        ? {
            product: {
              labelId: product,
              ratePerHa: number(form, "product.ratePerHa"),
              total: number(form, "product.total"),
              carrierL: number(form, "product.carrierL") ?? 0,
            },
          }
        : {}),
    },
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
    percentVvMax: number(form, "percentVvMax"),
    tankMax: number(form, "tankMax"),
    stemMaxMl: number(form, "stemMaxMl"),
    carrierMinLPerHa: number(form, "carrierMinLPerHa"),
    applicationsMax: number(form, "applicationsMax"),
    intervalDays: number(form, "intervalDays"),
    gustMaxMS: number(form, "gustMaxMS"),
    deltaTMinC: number(form, "deltaTMinC"),
    deltaTMaxC: number(form, "deltaTMaxC"),
    humidityMinPercent: number(form, "humidityMinPercent"),
    foragingDays: number(form, "foragingDays"),
    gear: optional(form, "gear"),
    additives: optional(form, "additives"),
    sites: optional(form, "sites"),
    stages: optional(form, "stages"),
    ...ticked(form, "stagesNamed", "sitesNamed", "plantsNamed"),
  };
  return { id: text(form, "id"), name: text(form, "name"), replaces: text(form, "replaces"), limits };
}
