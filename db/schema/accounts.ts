import { sql } from "drizzle-orm";
import {
  bigint,
  boolean,
  check,
  foreignKey,
  index,
  integer,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uuid,
  type AnyPgColumn,
} from "drizzle-orm/pg-core";
import { ROLES, type Role, SHEET_KINDS } from "../../core/crew";
import { crew } from "./kept";
import { shoot } from "./shoot";

const at = (name: string) => timestamp(name, { withTimezone: true });
const made = { createdAt: at("created_at").notNull().defaultNow(), updatedAt: at("updated_at").notNull().defaultNow() };
const oneOf = (values: readonly string[]) => sql.raw(values.map((value) => `'${value}'`).join(", "));

/** Somebody with an account. Names of columns in code are those of the library that keeps accounts. */
export const person = pgTable("person", {
  id: text("id").primaryKey(),
  name: text("name").notNull(),
  email: text("email").notNull().unique(),
  emailVerified: boolean("email_verified").notNull().default(false),
  image: text("image"),
  twoFactorEnabled: boolean("two_factor_enabled").notNull().default(false),
  ...made,
});

const ofPerson = () =>
  text("person_id")
    .notNull()
    .references(() => person.id, { onDelete: "cascade" });

/** A device on which somebody is signed in. */
export const signedIn = pgTable(
  "signed_in",
  {
    id: text("id").primaryKey(),
    token: text("token").notNull().unique(),
    expiresAt: at("expires_at").notNull(),
    ipAddress: text("ip_address"),
    userAgent: text("user_agent"),
    userId: ofPerson(),
    ...made,
  },
  (table) => [index("signed_in_person").on(table.userId)],
);

/** How somebody signs in: a password, kept as its hash. */
export const signInMethod = pgTable(
  "sign_in_method",
  {
    id: text("id").primaryKey(),
    accountId: text("account_id").notNull(),
    providerId: text("provider_id").notNull(),
    userId: ofPerson(),
    password: text("password"),
    accessToken: text("access_token"),
    refreshToken: text("refresh_token"),
    idToken: text("id_token"),
    accessTokenExpiresAt: at("access_token_expires_at"),
    refreshTokenExpiresAt: at("refresh_token_expires_at"),
    scope: text("scope"),
    ...made,
  },
  (table) => [index("sign_in_method_person").on(table.userId)],
);

/** Links that were sent by mail, until they are used or too old. */
export const mailedLink = pgTable(
  "mailed_link",
  {
    id: text("id").primaryKey(),
    identifier: text("identifier").notNull(),
    value: text("value").notNull(),
    expiresAt: at("expires_at").notNull(),
    ...made,
  },
  (table) => [index("mailed_link_for").on(table.identifier)],
);

/** Codes of a second device. */
export const secondFactor = pgTable(
  "second_factor",
  {
    id: text("id").primaryKey(),
    secret: text("secret").notNull(),
    backupCodes: text("backup_codes").notNull(),
    userId: ofPerson(),
    verified: boolean("verified").notNull().default(true),
    failedVerificationCount: integer("failed_verification_count").notNull().default(0),
    lockedUntil: at("locked_until"),
  },
  (table) => [index("second_factor_person").on(table.userId)],
);

/** A key of a device that somebody signs in with instead of a password. Names are those of the library that checks them. */
export const passkey = pgTable(
  "passkey",
  {
    id: text("id").primaryKey(),
    name: text("name"),
    publicKey: text("public_key").notNull(),
    userId: ofPerson(),
    credentialID: text("credential_id").notNull().unique(),
    counter: integer("counter").notNull(),
    deviceType: text("device_type").notNull(),
    backedUp: boolean("backed_up").notNull(),
    transports: text("transports"),
    aaguid: text("aaguid"),
    createdAt: at("created_at").notNull().defaultNow(),
  },
  (table) => [index("passkey_person").on(table.userId)],
);

/** How often something was asked for, by where from or by whose account. */
export const askedOften = pgTable("asked_often", {
  id: text("id").primaryKey(),
  key: text("key").notNull().unique(),
  count: integer("count").notNull(),
  lastRequest: bigint("last_request", { mode: "number" }).notNull(),
});

/** What an invitation lets in: one person with an account of their own, or phones for the day, without one. */
export const INVITED = ["member", "day"] as const;
export type Invited = (typeof INVITED)[number];

export const crewMember = pgTable(
  "crew_member",
  {
    crewId: uuid("crew_id")
      .notNull()
      .references(() => crew.id),
    personId: ofPerson(),
    role: text("role").$type<Role>().notNull(),
    joinedAt: at("joined_at").notNull().defaultNow(),
    /** Somebody in several crews works in the one chosen last. */
    chosenAt: at("chosen_at").notNull().defaultNow(),
    /** By which day's pass somebody is in, and until when; nothing for those with an account. */
    passId: uuid("pass_id").references((): AnyPgColumn => invitation.id, { onDelete: "cascade" }),
    until: at("until"),
  },
  (table) => [
    primaryKey({ columns: [table.crewId, table.personId] }),
    index("crew_member_person").on(table.personId),
    check("crew_member_role", sql`${table.role} in (${oneOf(ROLES)})`),
  ],
);

/** A link by which somebody joins a crew; the token itself is known to whoever has the link only. */
export const invitation = pgTable(
  "invitation",
  {
    id: uuid("id").primaryKey(),
    crewId: uuid("crew_id")
      .notNull()
      .references(() => crew.id),
    role: text("role").$type<Role>().notNull(),
    kind: text("kind").$type<Invited>().notNull().default("member"),
    tokenHash: text("token_hash").notNull().unique(),
    madeBy: text("made_by")
      .notNull()
      .references(() => person.id, { onDelete: "cascade" }),
    madeAt: at("made_at").notNull().defaultNow(),
    expiresAt: at("expires_at").notNull(),
    usedAt: at("used_at"),
    revokedAt: at("revoked_at"),
  },
  (table) => [
    index("invitation_crew").on(table.crewId),
    check("invitation_role", sql`${table.role} in (${oneOf(ROLES)})`),
    check("invitation_kind", sql`${table.kind} in (${oneOf(INVITED)})`),
  ],
);

/** What a link shows: a talent their own card, which they may answer; anybody a sheet of a day or of all days, to read. */
export const SHARED_KINDS = ["talent", ...SHEET_KINDS] as const;

/** A link to one thing, for somebody without an account; the token itself is known to whoever has the link only. */
export const sharedLink = pgTable(
  "shared_link",
  {
    id: uuid("id").primaryKey(),
    crewId: uuid("crew_id")
      .notNull()
      .references(() => crew.id),
    shootId: uuid("shoot_id").notNull(),
    kind: text("kind").$type<(typeof SHARED_KINDS)[number]>().notNull(),
    /** The rig of a talent in a scene, for a talent's card. */
    rigId: uuid("rig_id"),
    /** The day of a sheet; nothing for all days. */
    day: integer("day"),
    tokenHash: text("token_hash").notNull().unique(),
    madeBy: text("made_by").notNull(),
    madeAt: at("made_at").notNull().defaultNow(),
    expiresAt: at("expires_at").notNull(),
    revokedAt: at("revoked_at"),
  },
  (table) => [
    index("shared_link_shoot").on(table.shootId, table.crewId),
    check("shared_link_kind", sql`${table.kind} in (${oneOf(SHARED_KINDS)})`),
    check("shared_link_rig", sql`(${table.kind} = 'talent') = (${table.rigId} is not null)`),
    foreignKey({
      name: "shared_link_of_shoot",
      columns: [table.shootId, table.crewId],
      foreignColumns: [shoot.id, shoot.crewId],
    }).onDelete("cascade"),
  ],
);
