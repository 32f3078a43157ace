import { bigint, boolean, integer, pgSchema, primaryKey, text, timestamp } from "drizzle-orm/pg-core";

/** Sign-in comes before any district: its own schema and its own role. */
export const auth = pgSchema("auth");

const at = (name: string) => timestamp(name, { withTimezone: true });

export const user = auth.table("user", {
  id: text("id").primaryKey(),
  name: text("name").notNull(),
  email: text("email").notNull().unique(),
  emailVerified: boolean("email_verified").notNull().default(false),
  image: text("image"),
  createdAt: at("created_at").notNull().defaultNow(),
  updatedAt: at("updated_at").notNull().defaultNow(),
});

export const session = auth.table("session", {
  id: text("id").primaryKey(),
  expiresAt: at("expires_at").notNull(),
  token: text("token").notNull().unique(),
  createdAt: at("created_at").notNull().defaultNow(),
  updatedAt: at("updated_at").notNull().defaultNow(),
  ipAddress: text("ip_address"),
  userAgent: text("user_agent"),
  userId: text("user_id")
    .notNull()
    .references(() => user.id, { onDelete: "cascade" }),
});

export const account = auth.table("account", {
  id: text("id").primaryKey(),
  accountId: text("account_id").notNull(),
  providerId: text("provider_id").notNull(),
  userId: text("user_id")
    .notNull()
    .references(() => user.id, { onDelete: "cascade" }),
  accessToken: text("access_token"),
  refreshToken: text("refresh_token"),
  idToken: text("id_token"),
  accessTokenExpiresAt: at("access_token_expires_at"),
  refreshTokenExpiresAt: at("refresh_token_expires_at"),
  scope: text("scope"),
  password: text("password"),
  createdAt: at("created_at").notNull().defaultNow(),
  updatedAt: at("updated_at").notNull().defaultNow(),
});

export const verification = auth.table("verification", {
  id: text("id").primaryKey(),
  identifier: text("identifier").notNull(),
  value: text("value").notNull(),
  expiresAt: at("expires_at").notNull(),
  createdAt: at("created_at").notNull().defaultNow(),
  updatedAt: at("updated_at").notNull().defaultNow(),
});

/** Tries to sign in that failed lately, by account, by network, and by device on which that person has signed in before. */
export const signInTries = auth.table("sign_in_tries", {
  key: text("key").primaryKey(),
  failed: integer("failed").notNull(),
  /** no try before this moment is looked at; at most a minute ahead */
  nextAt: at("next_at").notNull(),
  lastAt: at("last_at").notNull().defaultNow(),
});

/** Devices on which a person has signed in, by the hash of a cookie. */
export const knownDevice = auth.table(
  "known_device",
  {
    deviceHash: text("device_hash").notNull(),
    userId: text("user_id")
      .notNull()
      .references(() => user.id, { onDelete: "cascade" }),
    lastAt: at("last_at").notNull().defaultNow(),
  },
  (t) => [primaryKey({ columns: [t.deviceHash, t.userId] })],
);

/** One-time codes of an authenticator (RFC 6238); the secret is encrypted with the server's own. */
export const secondFactor = auth.table("second_factor", {
  userId: text("user_id")
    .primaryKey()
    .references(() => user.id, { onDelete: "cascade" }),
  secret: text("secret").notNull(),
  confirmedAt: at("confirmed_at"),
  /** the last time step that was used, so that no code works twice */
  lastStep: bigint("last_step", { mode: "number" }).notNull().default(0),
});

/** Links that act for a person: to choose a new password, or to prove a new address. Stored hashed, used once, expiring. */
export const secretLink = auth.table("secret_link", {
  tokenHash: text("token_hash").primaryKey(),
  userId: text("user_id")
    .notNull()
    .references(() => user.id, { onDelete: "cascade" }),
  kind: text("kind").$type<"password" | "address">().notNull(),
  /** the address to be proved */
  address: text("address"),
  /** made by the person who runs the machine: it ends the second factor too */
  byMachine: boolean("by_machine").notNull().default(false),
  expiresAt: at("expires_at").notNull(),
  usedAt: at("used_at"),
  createdAt: at("created_at").notNull().defaultNow(),
});

/** The code with which the first district is made, or a further one. */
export const setUpCode = auth.table("set_up_code", {
  id: integer("id").primaryKey(),
  codeHash: text("code_hash").notNull(),
  tries: integer("tries").notNull().default(0),
  nextAt: at("next_at").notNull().defaultNow(),
  usedAt: at("used_at"),
  createdAt: at("created_at").notNull().defaultNow(),
});
