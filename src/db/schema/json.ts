import { customType } from "drizzle-orm/pg-core";
import type { z } from "zod";

/** What stands in a JSON column is not what it should be: a fault of ours, never of who asks. */
export class StoredJsonError extends Error {
  constructor(where: string, cause: unknown) {
    super(`what is stored as ${where} cannot be read`, { cause });
    this.name = "StoredJsonError";
  }
}

/** Reads JSON out of the database by its contract. @throws {StoredJsonError} */
export function readStored<S extends z.ZodType>(where: string, schema: S, value: unknown): z.output<S> {
  const read = schema.safeParse(value);
  if (read.success) return read.data;
  throw new StoredJsonError(where, read.error.message);
}

/** A JSON column that is read by its contract, and never cast. */
export const jsonOf = <S extends z.ZodType>(name: string, schema: S) =>
  customType<{ data: z.output<S>; driverData: unknown }>({
    dataType: () => "jsonb",
    toDriver: (value) => JSON.stringify(value),
    fromDriver: (value) => readStored(name, schema, value),
  })(name);
