import { randomUUID } from "node:crypto";
import * as Type from "@sinclair/typebox";
import { and, asc, count, desc, eq, gt, isNull, or, sql } from "drizzle-orm";
import { may, ROLES, type Role } from "../../core/crew";
import type { Connection, Database } from "../../db/client";
import { crew, crewMember, invitation, person, signedIn } from "../../db/schema";
import { type ActingCrew, foundCrew } from "../crew";
import { Fault } from "../faults";
import { lanNow, linksFrom } from "../lan";
import { hashOfToken, newToken } from "../tokens";
import { accept } from "../validate";

const A_DAY_MS = 24 * 3600_000;
/** An invitation holds so long. */
const INVITED_MS = 7 * A_DAY_MS;
/** A pass for the day holds over the longest one, and not over the next. */
export const DAY_PASS_MS = 16 * 3600_000;

const RoleName = Type.Union(ROLES.map((role) => Type.Literal(role)));
const PersonId = Type.String({ minLength: 1, maxLength: 100 });

/** What can be done with a crew. */
export const CrewDeed = Type.Union([
  Type.Object({ do: Type.Literal("invite"), role: RoleName }, { additionalProperties: false }),
  Type.Object(
    {
      do: Type.Literal("passForDay"),
      role: Type.Union([Type.Literal("mixer"), Type.Literal("assistant"), Type.Literal("guest")]),
    },
    { additionalProperties: false },
  ),
  Type.Object({ do: Type.Literal("revoke"), id: Type.String({ format: "uuid" }) }, { additionalProperties: false }),
  Type.Object({ do: Type.Literal("role"), personId: PersonId, role: RoleName }, { additionalProperties: false }),
  Type.Object({ do: Type.Literal("remove"), personId: PersonId }, { additionalProperties: false }),
  Type.Object({ do: Type.Literal("endSessions"), personId: PersonId }, { additionalProperties: false }),
]);
export const JoinDeed = Type.Object(
  { token: Type.String({ minLength: 20, maxLength: 100 }) },
  { additionalProperties: false },
);

const CrewChoice = Type.Object({ crewId: Type.String({ format: "uuid" }) }, { additionalProperties: false });

export function requireRight({ role }: ActingCrew, right: Parameters<typeof may>[1]): void {
  if (!may(role, right)) throw new Fault("forbidden", { code: "right.missing", role, right });
}

/** Whether a membership holds now: a pass for the day ends, and can be taken back. */
export const isMemberNow = or(
  isNull(crewMember.until),
  and(gt(crewMember.until, sql`now()`), isNull(invitation.revokedAt)),
);

/** Crews that a person is in, the one they work in first. */
export const crewsOf = (database: Connection, personId: string) =>
  database
    .select({ crewId: crewMember.crewId, role: crewMember.role, name: crew.name })
    .from(crewMember)
    .innerJoin(crew, eq(crew.id, crewMember.crewId))
    .leftJoin(invitation, eq(invitation.id, crewMember.passId))
    .where(and(eq(crewMember.personId, personId), isMemberNow))
    .orderBy(desc(crewMember.chosenAt));

/** The crew that a person works in: the one chosen or joined last. Null for somebody without one. */
export async function memberOf(database: Connection, personId: string): Promise<{ crewId: string; role: Role } | null> {
  const [found] = await crewsOf(database, personId);
  return found ? { crewId: found.crewId, role: found.role } : null;
}

/** Works in another of one's crews from now on. */
export async function chooseCrew(database: Database, personId: string, request: unknown): Promise<object> {
  const { crewId } = accept(CrewChoice, request);
  const chosen = await database
    .update(crewMember)
    .set({ chosenAt: sql`now()` })
    .where(and(eq(crewMember.crewId, crewId), eq(crewMember.personId, personId)))
    .returning({ crewId: crewMember.crewId });
  if (chosen.length === 0) throw new Fault("missing", { code: "crew.noMember" });
  return {};
}

/** Any number: whoever becomes the first of a crew holds it. */
const FIRST_LOCK = 7_104_121;

/**
 * A crew for somebody who was not invited: the one that worked here before there were accounts, if nobody has it yet, so that
 * its shoots go on; else a new one.
 */
export function crewForNewcomer(database: Database, personId: string, name: string): Promise<string> {
  return database.transaction(async (transaction) => {
    await transaction.execute(sql`select pg_advisory_xact_lock(${FIRST_LOCK})`);
    const known = await memberOf(transaction, personId);
    if (known) return known.crewId;
    // Whoever came with a pass for the day goes with it.
    const [passed] = await transaction.select().from(crewMember).where(eq(crewMember.personId, personId)).limit(1);
    if (passed?.passId) throw new Fault("signedOut", { code: "request.signedOut" });
    const [local] = await transaction
      .select({ id: crew.id })
      .from(crew)
      .leftJoin(crewMember, eq(crewMember.crewId, crew.id))
      .where(and(eq(crew.isLocal, true), isNull(crewMember.crewId)))
      .limit(1);
    const crewId = local?.id ?? (await foundCrew(transaction, `${name}'s crew`, false));
    await transaction.insert(crewMember).values({ crewId, personId, role: "owner" });
    return crewId;
  });
}

/** Who is in the crew, on how many devices, and who is invited. */
export async function listCrew(acting: ActingCrew) {
  requireRight(acting, "read");
  const { database, crewId } = acting;
  const members = await database
    .select({
      personId: person.id,
      name: person.name,
      email: person.email,
      role: crewMember.role,
      until: crewMember.until,
      devices: sql<number>`count(${signedIn.id})::int`,
    })
    .from(crewMember)
    .innerJoin(person, eq(person.id, crewMember.personId))
    .leftJoin(invitation, eq(invitation.id, crewMember.passId))
    .leftJoin(signedIn, and(eq(signedIn.userId, person.id), gt(signedIn.expiresAt, sql`now()`)))
    .where(and(eq(crewMember.crewId, crewId), isMemberNow))
    .groupBy(person.id, crewMember.role, crewMember.until, crewMember.joinedAt)
    .orderBy(asc(crewMember.joinedAt));
  const isOwner = may(acting.role, "manage");
  const invited = isOwner
    ? await database
        .select({ id: invitation.id, role: invitation.role, kind: invitation.kind, expiresAt: invitation.expiresAt })
        .from(invitation)
        .where(
          and(
            eq(invitation.crewId, crewId),
            isNull(invitation.usedAt),
            isNull(invitation.revokedAt),
            gt(invitation.expiresAt, sql`now()`),
          ),
        )
        .orderBy(asc(invitation.madeAt))
    : [];
  const [own] = await database.select({ name: crew.name }).from(crew).where(eq(crew.id, crewId));
  // Addresses are for whoever has to tell people apart.
  const shown = members.map(({ email, ...each }) =>
    each.until === null && (isOwner || each.personId === acting.member) ? { ...each, email } : each,
  );
  const crews = await crewsOf(database, acting.member);
  return {
    ...{ crewId, name: own!.name, me: acting.member, role: acting.role, members: shown, invitations: invited },
    ...{ crews: crews.map((each) => ({ id: each.crewId, name: each.name })), lan: isOwner ? lanNow() : null },
  };
}

const memberIs = ({ crewId }: ActingCrew, personId: string) =>
  and(eq(crewMember.crewId, crewId), eq(crewMember.personId, personId));

/** A crew must not be left without somebody who can let others in. */
async function keepAnOwner(connection: Connection, acting: ActingCrew, personId: string): Promise<void> {
  const owners = await connection
    .select({ personId: crewMember.personId })
    .from(crewMember)
    .where(and(eq(crewMember.crewId, acting.crewId), eq(crewMember.role, "owner")))
    .for("update");
  if (owners.length === 1 && owners[0]!.personId === personId) throw new Fault("invalid", { code: "crew.lastOwner" });
}

/** Ends all sessions of a person, and tells the pages that are open. */
async function signOut(connection: Connection, personId: string): Promise<void> {
  await connection.delete(signedIn).where(eq(signedIn.userId, personId));
  await connection.execute(sql`select pg_notify('hypophon_change', ${JSON.stringify({ signedOut: personId })})`);
}

/** Invites, takes back, changes a role, lets somebody go, ends sessions. */
export async function requestCrewDeed(acting: ActingCrew, request: unknown): Promise<unknown> {
  requireRight(acting, "manage");
  const deed = accept(CrewDeed, request);
  const { database, crewId } = acting;
  if (deed.do === "invite" || deed.do === "passForDay") {
    const isForDay = deed.do === "passForDay";
    const token = newToken();
    const expiresAt = new Date(Date.now() + (isForDay ? DAY_PASS_MS : INVITED_MS));
    await database.insert(invitation).values({
      ...{ id: randomUUID(), crewId, role: deed.role, kind: isForDay ? "day" : "member" },
      ...{ tokenHash: hashOfToken(token), madeBy: acting.member, expiresAt },
    });
    return { token, expiresAt, from: linksFrom() };
  }
  if (deed.do === "revoke") {
    await database.transaction(async (transaction) => {
      await transaction
        .update(invitation)
        .set({ revokedAt: sql`now()` })
        .where(and(eq(invitation.id, deed.id), eq(invitation.crewId, crewId)));
      const passed = await transaction
        .select({ personId: crewMember.personId })
        .from(crewMember)
        .where(and(eq(crewMember.passId, deed.id), eq(crewMember.crewId, crewId)));
      for (const { personId } of passed) await signOut(transaction, personId);
    });
    return {};
  }
  const { personId } = deed;
  await database.transaction(async (transaction) => {
    const [known] = await transaction.select().from(crewMember).where(memberIs(acting, personId)).for("update");
    if (!known) throw new Fault("missing", { code: "crew.noMember" });
    if (deed.do !== "endSessions" && !(deed.do === "role" && deed.role === "owner"))
      await keepAnOwner(transaction, acting, personId);
    if (deed.do === "role")
      await transaction.update(crewMember).set({ role: deed.role }).where(memberIs(acting, personId));
    if (deed.do === "remove") await transaction.delete(crewMember).where(memberIs(acting, personId));
    await signOut(transaction, personId);
  });
  return {};
}

/** Phones that one pass lets in, at most. */
const MOST_ON_A_PASS = 60;

/** What a pass for the day lets in to. Throws Fault "missing" where it is over, and "invalid" where too many came by it. */
export async function openPass(database: Database, token: string) {
  const [found] = await database
    .select()
    .from(invitation)
    .where(eq(invitation.tokenHash, hashOfToken(token)));
  if (!found || found.kind !== "day" || found.revokedAt || found.expiresAt.getTime() < Date.now())
    throw new Fault("missing", { code: "crew.noInvitation" });
  const [passed] = await database.select({ many: count() }).from(crewMember).where(eq(crewMember.passId, found.id));
  if (passed!.many >= MOST_ON_A_PASS) throw new Fault("invalid", { code: "crew.passFull", most: MOST_ON_A_PASS });
  return found;
}

/** Somebody new in the crew of a pass, until it ends. */
export const joinForDay = async (
  database: Database,
  personId: string,
  { id, crewId, role, expiresAt }: Awaited<ReturnType<typeof openPass>>,
): Promise<void> => {
  await database.insert(crewMember).values({ crewId, personId, role, passId: id, until: expiresAt });
};

/** Joins the crew of an invitation, once. */
export async function join(database: Database, personId: string, request: unknown): Promise<{ crewId: string }> {
  const { token } = accept(JoinDeed, request);
  return database.transaction(async (transaction) => {
    const [found] = await transaction
      .select()
      .from(invitation)
      .where(eq(invitation.tokenHash, hashOfToken(token)))
      .for("update");
    if (!found || found.kind !== "member" || found.usedAt || found.revokedAt || found.expiresAt.getTime() < Date.now())
      throw new Fault("missing", { code: "crew.noInvitation" });
    await transaction
      .update(invitation)
      .set({ usedAt: sql`now()` })
      .where(eq(invitation.id, found.id));
    // Whoever is in it already keeps the role there is.
    await transaction
      .insert(crewMember)
      .values({ crewId: found.crewId, personId, role: found.role })
      .onConflictDoUpdate({ target: [crewMember.crewId, crewMember.personId], set: { chosenAt: sql`now()` } });
    return { crewId: found.crewId };
  });
}
