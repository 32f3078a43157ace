import { readFileSync } from "node:fs";
import { expect, it } from "vitest";
import { PACK_SCHEMA_PATH, packJsonSchema } from "./pack-schema";

it("the published schema of a pack is the one that packs are checked with", () =>
  expect(readFileSync(PACK_SCHEMA_PATH, "utf8")).toBe(packJsonSchema()));
