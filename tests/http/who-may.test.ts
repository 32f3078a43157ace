import { readdirSync, readFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { describe, expect, it } from "vitest";
import { ROLES, type Role } from "@/core/roles";
import { act, allActions } from "../support/actions";
import { as, Client } from "../support/client";
import { ACTIONS, ROUTES, type WhoMay } from "./who-may";

/** Every route that takes a method which changes something, by the files of the code. */
const routesInCode = (): string[] =>
  readdirSync("src/app/api", { recursive: true, encoding: "utf8" })
    .filter((file) => file.endsWith("route.ts"))
    .flatMap((file) =>
      [
        ...readFileSync(join("src/app/api", file), "utf8").matchAll(
          /export (?:async function|const) (POST|PUT|PATCH|DELETE)\b/g,
        ),
      ].map(([, method]) => `${method} /api/${dirname(file)}`),
    )
    .sort();

/** People of the demonstration who have this role and none that may do it. */
const PEOPLE = {
  visitor: ["visitor"],
  scout: ["scout"],
  applicator: ["applicator", "scout"],
  specialist: ["scout", "specialist"],
} as const;
const shutOut = (may: WhoMay): (keyof typeof PEOPLE)[] =>
  typeof may === "string"
    ? []
    : (Object.keys(PEOPLE) as (keyof typeof PEOPLE)[]).filter(
        (who) => !PEOPLE[who].some((role: Role) => may.includes(role)),
      );
/** A form that would be sound enough to get past what it asks for, were the role not asked first. */
const FORGED = {
  id: "01920000-0000-7000-8000-0000000fffff",
  findingId: "01920000-0000-7000-8000-0000000fffff",
  planId: "01920000-0000-7000-8000-0000000fffff",
  patchId: "01920000-0000-7000-8000-0000000fffff",
  entryId: "01920000-0000-7000-8000-0000000fffff",
  reportId: "01920000-0000-7000-8000-0000000fffff",
  reason: "A reason that is long enough to be taken.",
};
const addressOf = (route: string) =>
  (route.split(" ")[1] ?? "").replace(/\[[^\]]+\]/g, "01920000-0000-7000-8000-0000000fffff");

describe("the reviewed list of acts", () => {
  it("has every act of the code, and none that is gone", () => {
    expect(Object.keys(ACTIONS).sort()).toEqual(allActions());
    expect(Object.keys(ROUTES).sort()).toEqual(routesInCode());
  });
  it("names roles that there are", () => {
    for (const may of [...Object.values(ACTIONS), ...Object.values(ROUTES)])
      if (typeof may !== "string") for (const role of may) expect(ROLES).toContain(role);
  });
});

describe("a forged request", () => {
  const roleActs = Object.entries(ACTIONS).filter(([, may]) => typeof may !== "string");
  it.each(roleActs)("of %s gets nowhere without the role, and without a sign-in", async (name, may) => {
    for (const who of shutOut(may)) {
      const { text } = await act(await as(who), name, FORGED);
      expect(text, `${name} as ${who}`).toContain("This needs the role of");
    }
    const { text } = await act(new Client(), name, FORGED);
    expect(text, `${name} by nobody`).toMatch(/You are not signed in|\/sign-in/);
  });

  it.each(Object.entries(ROUTES).filter(([, may]) => typeof may !== "string"))(
    "to %s gets nowhere",
    async (route, may) => {
      const [method = ""] = route.split(" ");
      for (const who of shutOut(may))
        expect((await (await as(who)).send(method, addressOf(route), FORGED)).status, `${route} as ${who}`).toBe(403);
      expect((await new Client().send(method, addressOf(route), FORGED)).status, `${route} by nobody`).toBe(401);
    },
  );
});
