import pg from "pg";
import type { Role } from "@/core/roles";
import { v7 as uuidv7 } from "uuid";

/** As the owner of the database: makes what a test needs, past the walls. */
export async function asOwner<T>(work: (client: pg.Client) => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: process.env.DATABASE_OWNER_URL });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}

/** As the application's role, with no district set: what a forgotten setting would see. */
export async function asApplication<T>(work: (client: pg.Client) => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: process.env.DATABASE_APP_URL });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}

export const OTTER = "01920000-0000-7000-8000-00000000a001";
export const PINE = "01920000-0000-7000-8000-00000000a002";

export const member = (roles: string[], districtId = OTTER) => ({
  districtId,
  name: "Otter Valley Land Stewards",
  roles: roles as Role[],
  personId: "test-person",
  personName: "Test Person",
  email: "test@otter.example",
  places: [],
});

export { uuidv7 };
