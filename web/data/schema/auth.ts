import { bigint, boolean, index, int, mysqlTable, text, uniqueIndex, varchar } from "drizzle-orm/mysql-core";
import { instant, uuid } from "./columns";

/** Tables of the sign-in library; property names are the library's own. An organization is a business. */
export const user = mysqlTable("user", {
  id: uuid("id").primaryKey(),
  name: varchar("name", { length: 120 }).notNull(),
  email: varchar("email", { length: 190 }).notNull().unique(),
  emailVerified: boolean("email_verified").notNull().default(false),
  image: text("image"),
  /** Signs in with a code of their authenticator app as well. */
  twoFactorEnabled: boolean("two_factor_enabled").notNull().default(false),
  createdAt: instant("created_at").notNull(),
  updatedAt: instant("updated_at").notNull(),
});

export const session = mysqlTable(
  "session",
  {
    id: uuid("id").primaryKey(),
    userId: uuid("user_id")
      .notNull()
      .references(() => user.id, { onDelete: "cascade" }),
    token: varchar("token", { length: 190 }).notNull().unique(),
    expiresAt: instant("expires_at").notNull(),
    ipAddress: varchar("ip_address", { length: 64 }),
    userAgent: text("user_agent"),
    activeOrganizationId: uuid("active_organization_id"),
    /** It was opened with a code of an app, a recovery code or a passkey, not by a password alone. */
    secondFactor: boolean("second_factor").notNull().default(false),
    /** When whoever sits there last signed in anew within it. */
    provenAt: instant("proven_at"),
    createdAt: instant("created_at").notNull(),
    updatedAt: instant("updated_at").notNull(),
  },
  (t) => [index("session_user_ix").on(t.userId)],
);

/** What an authenticator app and recovery codes are checked against, sealed by the sign-in library. */
export const twoFactor = mysqlTable(
  "two_factor",
  {
    id: uuid("id").primaryKey(),
    userId: uuid("user_id")
      .notNull()
      .references(() => user.id, { onDelete: "cascade" }),
    secret: text("secret").notNull(),
    backupCodes: text("backup_codes").notNull(),
    /** A code of it was entered once: until then it is not asked for. */
    verified: boolean("verified").notNull().default(false),
    failedVerificationCount: int("failed_verification_count").notNull().default(0),
    lockedUntil: instant("locked_until"),
  },
  (t) => [uniqueIndex("two_factor_user_uq").on(t.userId)],
);

/** A key that a device or a password safe holds: it signs in by itself. */
export const passkey = mysqlTable(
  "passkey",
  {
    id: uuid("id").primaryKey(),
    userId: uuid("user_id")
      .notNull()
      .references(() => user.id, { onDelete: "cascade" }),
    name: varchar("name", { length: 120 }),
    publicKey: text("public_key").notNull(),
    credentialID: varchar("credential_id", { length: 700 }).notNull().unique(),
    counter: bigint("counter", { mode: "number" }).notNull(),
    deviceType: varchar("device_type", { length: 40 }).notNull(),
    backedUp: boolean("backed_up").notNull(),
    transports: varchar("transports", { length: 190 }),
    aaguid: varchar("aaguid", { length: 60 }),
    createdAt: instant("created_at"),
  },
  (t) => [index("passkey_user_ix").on(t.userId)],
);

export const account = mysqlTable(
  "account",
  {
    id: uuid("id").primaryKey(),
    userId: uuid("user_id")
      .notNull()
      .references(() => user.id, { onDelete: "cascade" }),
    accountId: varchar("account_id", { length: 190 }).notNull(),
    providerId: varchar("provider_id", { length: 60 }).notNull(),
    accessToken: text("access_token"),
    refreshToken: text("refresh_token"),
    idToken: text("id_token"),
    accessTokenExpiresAt: instant("access_token_expires_at"),
    refreshTokenExpiresAt: instant("refresh_token_expires_at"),
    scope: text("scope"),
    password: text("password"),
    createdAt: instant("created_at").notNull(),
    updatedAt: instant("updated_at").notNull(),
  },
  (t) => [index("account_user_ix").on(t.userId)],
);

export const verification = mysqlTable("verification", {
  id: uuid("id").primaryKey(),
  identifier: varchar("identifier", { length: 190 }).notNull(),
  value: text("value").notNull(),
  expiresAt: instant("expires_at").notNull(),
  createdAt: instant("created_at").notNull(),
  updatedAt: instant("updated_at").notNull(),
});

export const rateLimit = mysqlTable("rate_limit", {
  id: uuid("id").primaryKey(),
  key: varchar("key", { length: 190 }).notNull().unique(),
  count: int("count").notNull(),
  lastRequest: bigint("last_request", { mode: "number" }).notNull(),
});

/** Tries to sign in, for some weeks: from them follows how long the next one waits, and what the person is told. */
export const signInTry = mysqlTable(
  "sign_in_try",
  {
    id: uuid("id").primaryKey(),
    email: varchar("email", { length: 190 }).notNull(),
    address: varchar("address", { length: 64 }).notNull(),
    at: instant("at").notNull(),
    succeeded: boolean("succeeded").notNull(),
  },
  (t) => [index("sign_in_try_email_ix").on(t.email, t.at), index("sign_in_try_address_ix").on(t.address, t.at)],
);

export const organization = mysqlTable("organization", {
  id: uuid("id").primaryKey(),
  name: varchar("name", { length: 120 }).notNull(),
  slug: varchar("slug", { length: 120 }).notNull().unique(),
  logo: text("logo"),
  metadata: text("metadata"),
  createdAt: instant("created_at").notNull(),
});

export const member = mysqlTable(
  "member",
  {
    id: uuid("id").primaryKey(),
    organizationId: uuid("organization_id")
      .notNull()
      .references(() => organization.id, { onDelete: "cascade" }),
    userId: uuid("user_id")
      .notNull()
      .references(() => user.id, { onDelete: "cascade" }),
    role: varchar("role", { length: 40 }).notNull(),
    createdAt: instant("created_at").notNull(),
  },
  (t) => [uniqueIndex("member_uq").on(t.organizationId, t.userId)],
);

export const invitation = mysqlTable("invitation", {
  id: uuid("id").primaryKey(),
  organizationId: uuid("organization_id")
    .notNull()
    .references(() => organization.id, { onDelete: "cascade" }),
  email: varchar("email", { length: 190 }).notNull(),
  role: varchar("role", { length: 40 }),
  status: varchar("status", { length: 40 }).notNull(),
  expiresAt: instant("expires_at").notNull(),
  inviterId: uuid("inviter_id")
    .notNull()
    .references(() => user.id, { onDelete: "cascade" }),
  createdAt: instant("created_at").notNull(),
});
