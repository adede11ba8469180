import { randomUUID } from "node:crypto";
import { eq, sql } from "drizzle-orm";
import type { Pool } from "pg";
import { may, MAY, rightOf, ROLES, type Role } from "../../core/crew";
import { type Outcome, RECORD_SCHEMAS, type RecordKind } from "../../core/records";
import type { Database } from "../../db/client";
import { crewMember, invitation, person, signedIn } from "../../db/schema";
import { workerDatabase } from "../../fixtures/testCrew";
import { TEST_SHOOT } from "../../fixtures/testShoot";
import { requestCommands } from "../commands";
import { type ActingCrew, foundCrew } from "../crew";
import { reopenDemoShoot } from "../demoShoot";
import { Fault } from "../faults";
import { createRecord, listShoots, loadShoot } from "../records";
import {
  chooseCrew,
  crewForNewcomer,
  join,
  joinForDay,
  listCrew,
  memberOf,
  openPass,
  requestCrewDeed,
  requireRight,
} from "./members";

let pool: Pool;
let database: Database;
beforeAll(() => ({ database, pool } = workerDatabase()));
afterAll(() => pool.end());

async function somebody(name = "Tam"): Promise<string> {
  const id = randomUUID();
  await database.insert(person).values({ id, name, email: `${id}@example.org` });
  return id;
}

/** Somebody in a crew of their own, or in another's. */
async function memberWith(role: Role, crewId?: string): Promise<ActingCrew> {
  const own = crewId ?? (await foundCrew(database, "A crew", false));
  const member = await somebody();
  await database.insert(crewMember).values({ crewId: own, personId: member, role });
  return { crewId: own, member, role, database };
}

const invite = async (acting: ActingCrew, role: Role = "assistant") =>
  (await requestCrewDeed(acting, { do: "invite", role })) as { token: string };
const refusal = async (work: Promise<unknown>): Promise<string> =>
  work.then(
    () => "nothing",
    (error: unknown) => (error instanceof Fault ? error.says.code : String(error)),
  );

describe("a pass for the day", () => {
  const passOf = async (owner: ActingCrew, role = "assistant") =>
    (await requestCrewDeed(owner, { do: "passForDay", role })) as { token: string };
  /** A phone that came in by a pass. */
  async function phone(token: string): Promise<string> {
    const id = await somebody("Phone");
    await joinForDay(database, id, await openPass(database, token));
    return id;
  }
  const device = (personId: string) =>
    database.insert(signedIn).values({
      ...{ id: randomUUID(), token: randomUUID(), userId: personId },
      expiresAt: new Date(Date.now() + 3600_000),
    });

  test("lets in as many phones as photograph it, in its role, and is no invitation", async () => {
    const owner = await memberWith("owner");
    const { token } = await passOf(owner, "guest");
    for (const id of [await phone(token), await phone(token)])
      expect(await memberOf(database, id)).toEqual({ crewId: owner.crewId, role: "guest" });
    expect(await refusal(join(database, await somebody(), { token }))).toBe("crew.noInvitation");
    expect(await refusal(openPass(database, (await invite(owner)).token))).toBe("crew.noInvitation");
    const { members } = await listCrew(owner);
    expect(members.map(({ until }) => until !== null)).toEqual([false, true, true]);
    // An address that nobody reads is shown to nobody.
    expect(members[1]).not.toHaveProperty("email");
  });

  test("ends by itself, and nobody who came by it gets a crew of their own", async () => {
    const owner = await memberWith("owner");
    const id = await phone((await passOf(owner)).token);
    await database
      .update(crewMember)
      .set({ until: sql`now() - interval '1 second'` })
      .where(eq(crewMember.personId, id));
    expect(await memberOf(database, id)).toBeNull();
    expect(await refusal(crewForNewcomer(database, id, "Phone"))).toBe("request.signedOut");
    expect((await listCrew(owner)).members).toHaveLength(1);
  });

  test("taken back, its phones are out and signed out, and others stay", async () => {
    const owner = await memberWith("owner");
    const { token } = await passOf(owner);
    const [out, stays] = [await phone(token), await phone((await passOf(owner)).token)];
    for (const id of [out, stays]) await device(id);
    const { invitations } = await listCrew(owner);
    await requestCrewDeed(owner, { do: "revoke", id: invitations[0]!.id });
    expect([await memberOf(database, out), await memberOf(database, stays)]).toEqual([
      null,
      { crewId: owner.crewId, role: "assistant" },
    ]);
    const left = await database.select({ of: signedIn.userId }).from(signedIn);
    expect(left.map(({ of }) => of)).not.toContain(out);
    expect(left.map(({ of }) => of)).toContain(stays);
    expect(await refusal(openPass(database, token))).toBe("crew.noInvitation");
  });

  test("is made by an owner, and for no owner", async () => {
    const owner = await memberWith("owner");
    expect((await refusal(passOf(owner, "owner"))).split(".")[0]).toBe("field");
    for (const role of ["mixer", "assistant", "guest"] as const)
      expect(await refusal(passOf(await memberWith(role, owner.crewId)))).toBe("right.missing");
  });
});

test("somebody in several crews works in the one they chose last, and in none that they are not in", async () => {
  const [one, other] = [await memberWith("owner"), await memberWith("owner")];
  const { token } = await invite(other, "guest");
  await join(database, one.member, { token });
  expect(await memberOf(database, one.member)).toEqual({ crewId: other.crewId, role: "guest" });
  await chooseCrew(database, one.member, { crewId: one.crewId });
  expect(await memberOf(database, one.member)).toEqual({ crewId: one.crewId, role: "owner" });
  expect((await listCrew(one)).crews.map(({ id }) => id)).toEqual([one.crewId, other.crewId]);
  const third = await memberWith("owner");
  expect(await refusal(chooseCrew(database, one.member, { crewId: third.crewId }))).toBe("crew.noMember");
});

describe("invitations", () => {
  test("let one person in, in the role that was chosen, once", async () => {
    const owner = await memberWith("owner");
    const { token } = await invite(owner, "mixer");
    const [tam, ines] = [await somebody(), await somebody("Ines")];
    expect(await join(database, tam, { token })).toEqual({ crewId: owner.crewId });
    expect(await memberOf(database, tam)).toEqual({ crewId: owner.crewId, role: "mixer" });
    expect(await refusal(join(database, ines, { token }))).toBe("crew.noInvitation");
    expect(await memberOf(database, ines)).toBeNull();
  });

  test("two that take one up at once: one is in", async () => {
    const { token } = await invite(await memberWith("owner"));
    const both = await Promise.all(
      [somebody(), somebody()].map(async (id) => refusal(join(database, await id, { token }))),
    );
    expect(both.sort()).toEqual(["crew.noInvitation", "nothing"]);
  });

  test("that are too old, taken back or made up let nobody in", async () => {
    const owner = await memberWith("owner");
    const late = await invite(owner);
    await database
      .update(invitation)
      .set({ expiresAt: sql`now() - interval '1 second'` })
      .where(eq(invitation.crewId, owner.crewId));
    const back = await invite(owner);
    const { invitations } = await listCrew(owner);
    expect(invitations).toHaveLength(1);
    await requestCrewDeed(owner, { do: "revoke", id: invitations[0]!.id });
    for (const token of [late.token, back.token, "x".repeat(32)])
      expect(await refusal(join(database, await somebody(), { token }))).toBe("crew.noInvitation");
    expect((await listCrew(owner)).invitations).toEqual([]);
  });

  test("of another crew are neither seen nor taken back", async () => {
    const [one, other] = [await memberWith("owner"), await memberWith("owner")];
    const { token } = await invite(one);
    const { id } = (await listCrew(one)).invitations[0]!;
    expect((await listCrew(other)).invitations).toEqual([]);
    await requestCrewDeed(other, { do: "revoke", id });
    expect(await refusal(join(database, await somebody(), { token }))).toBe("nothing");
  });

  test("the token is nowhere in the database", async () => {
    const owner = await memberWith("owner");
    const { token } = await invite(owner);
    const rows = await database.select().from(invitation).where(eq(invitation.crewId, owner.crewId));
    expect(JSON.stringify(rows)).not.toContain(token);
  });
});

describe("a crew", () => {
  test("is never left without an owner", async () => {
    const owner = await memberWith("owner");
    const { member: personId } = owner;
    expect(await refusal(requestCrewDeed(owner, { do: "remove", personId }))).toBe("crew.lastOwner");
    expect(await refusal(requestCrewDeed(owner, { do: "role", personId, role: "guest" }))).toBe("crew.lastOwner");
    const second = await memberWith("owner", owner.crewId);
    expect(await refusal(requestCrewDeed(second, { do: "role", personId, role: "guest" }))).toBe("nothing");
    expect((await memberOf(database, personId))!.role).toBe("guest");
  });

  test("two owners who let each other go at once: one stays", async () => {
    const one = await memberWith("owner");
    const other = await memberWith("owner", one.crewId);
    const both = await Promise.all([
      refusal(requestCrewDeed(one, { do: "remove", personId: other.member })),
      refusal(requestCrewDeed(other, { do: "remove", personId: one.member })),
    ]);
    expect(both.filter((each) => each === "nothing")).toHaveLength(1);
    const left = await database.select().from(crewMember).where(eq(crewMember.crewId, one.crewId));
    expect(left).toHaveLength(1);
  });

  test("whoever is let go, or gets another role, is signed out on every device", async () => {
    const owner = await memberWith("owner");
    for (const deed of ["remove", "role", "endSessions"] as const) {
      const { member: personId } = await memberWith("assistant", owner.crewId);
      const expiresAt = new Date(Date.now() + 60_000);
      for (const token of [randomUUID(), randomUUID()])
        await database.insert(signedIn).values({ id: token, token, userId: personId, expiresAt });
      const before = (await listCrew(owner)).members.find((each) => each.personId === personId)!;
      expect(before.devices).toBe(2);
      await requestCrewDeed(owner, { do: deed, personId, ...(deed === "role" && { role: "guest" }) });
      expect(await database.select().from(signedIn).where(eq(signedIn.userId, personId))).toEqual([]);
    }
  });

  test("shows addresses to its owner, and to everybody their own only", async () => {
    const owner = await memberWith("owner");
    const guest = await memberWith("guest", owner.crewId);
    expect((await listCrew(owner)).members.every((each) => "email" in each)).toBe(true);
    const seen = (await listCrew(guest)).members.filter((each) => "email" in each);
    expect(seen.map(({ personId }) => personId)).toEqual([guest.member]);
  });

  test("whoever worked in a crew and takes up another's invitation works in that one", async () => {
    const [own, other] = [await memberWith("owner"), await memberWith("owner")];
    const { token } = await invite(other, "mixer");
    await join(database, own.member, { token });
    expect(await memberOf(database, own.member)).toEqual({ crewId: other.crewId, role: "mixer" });
  });

  test("an invitation of one's own crew changes no role", async () => {
    const owner = await memberWith("owner");
    const { token } = await invite(owner, "guest");
    await join(database, owner.member, { token });
    expect((await memberOf(database, owner.member))!.role).toBe("owner");
  });

  test("a newcomer without an invitation gets one crew, however often it is asked at once", async () => {
    const id = await somebody();
    const crews = await Promise.all(Array.from({ length: 5 }, () => crewForNewcomer(database, id, "Tam")));
    expect(new Set(crews).size).toBe(1);
    expect((await memberOf(database, id))!.role).toBe("owner");
  });
});

describe("what a role may", () => {
  const deeds = (personId: string) => [
    { do: "invite", role: "guest" },
    { do: "revoke", id: randomUUID() },
    { do: "role", personId, role: "guest" },
    { do: "remove", personId },
    { do: "endSessions", personId },
  ];

  test.each(ROLES)("%s: every deed of a crew", async (role) => {
    const owner = await memberWith("owner");
    const acting = role === "owner" ? owner : await memberWith(role, owner.crewId);
    for (const index of deeds("").keys()) {
      const { member } = await memberWith("assistant", owner.crewId);
      const said = await refusal(requestCrewDeed(acting, deeds(member)[index]));
      expect([role, index, said]).toEqual([role, index, may(role, "manage") ? "nothing" : "right.missing"]);
    }
  });

  test.each(ROLES)("%s: every change of every kind, of the own crew and of another", async (role) => {
    const owner = await memberWith("owner");
    const acting = role === "owner" ? owner : await memberWith(role, owner.crewId);
    const stranger = await memberWith("owner");
    const shootId = randomUUID();
    await createRecord(owner, "shoot", shootId, TEST_SHOOT);
    const send = async (by: ActingCrew, command: object): Promise<Outcome> =>
      (await requestCommands(by, { commands: [{ key: randomUUID(), ...command }] }, "request")).outcomes[0]!;
    for (const kind of Object.keys(RECORD_SCHEMAS) as RecordKind[])
      for (const op of ["create", "patch", "delete", "restore"] as const) {
        const id = kind === "shoot" && op !== "create" ? shootId : randomUUID();
        const own = {
          op,
          kind,
          id,
          ...(op === "create" && { body: {} }),
          ...(op === "patch" && { changes: [{ path: ["title"], from: "T", to: "T" }] }),
        };
        const isRefusedFor = async (by: ActingCrew) => {
          const outcome = await send(by, own);
          return outcome.outcome === "refused" && outcome.says.code === "right.missing";
        };
        expect([role, kind, op, await isRefusedFor(acting)]).toEqual([role, kind, op, !may(role, rightOf(op, kind))]);
        // Another crew's owner does nothing to it, whatever is sent.
        if (kind === "shoot")
          await send(
            stranger,
            op === "patch" ? { ...own, changes: [{ path: ["title"], from: "T", to: "Taken" }] } : own,
          );
      }
    // Deleted and brought back by those who may; by nobody else.
    expect((await loadShoot(owner, shootId)).shoot.body.title).toBe("T");
    expect((await listShoots(stranger)).shoots).toEqual([]);
    expect(await refusal(loadShoot(stranger, shootId))).not.toBe("nothing");
  });

  test.each(["assistant", "guest"] as const)("%s puts no demo shoot among the crew's", async (role) => {
    const owner = await memberWith("owner");
    const acting = await memberWith(role, owner.crewId);
    expect(await refusal(reopenDemoShoot(acting))).toBe("right.missing");
    expect((await listShoots(owner)).shoots).toEqual([]);
  });

  test("a right is asked by its name", () => {
    for (const right of Object.keys(MAY) as (keyof typeof MAY)[])
      for (const role of ROLES) {
        const ask = () => requireRight({ crewId: "", member: "", role, database }, right);
        if (may(role, right)) expect(ask).not.toThrow();
        else expect(ask).toThrow(Fault);
      }
  });
});
