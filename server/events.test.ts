import { randomUUID } from "node:crypto";
import { sql } from "drizzle-orm";
import type { Pool } from "pg";
import type { Database } from "../db/client";
import { workerDatabase } from "../fixtures/testCrew";
import { eventStream, type Listening, requestHere } from "./events";

let pool: Pool;
let database: Database;
const listening: AbortController[] = [];
beforeAll(() => {
  ({ database, pool } = workerDatabase());
  // The one connection that hears for the whole process.
  const urls = (process.env["TEST_DATABASE_URLS"] ?? "").split(" ");
  process.env["DATABASE_URL"] = urls[Number(process.env["JEST_WORKER_ID"] ?? "1") - 1];
});
afterEach(() => listening.splice(0).forEach((each) => each.abort()));
afterAll(() => pool.end());

interface Heard {
  /** All that came so far. */
  text: string;
  isOver: boolean;
  leave: () => void;
}

/** A page of a crew that listens from now on. */
function listen(crewId: string, own: Partial<Listening> = {}): Heard {
  const line = new AbortController();
  listening.push(line);
  const asked = { crewId, member: "olin", database, page: randomUUID(), name: "Olin", ...own };
  const stream = eventStream({ isStillIn: () => Promise.resolve(true), ...asked }, line.signal);
  const heard: Heard = { text: "", isOver: false, leave: () => line.abort() };
  const reader = stream.getReader();
  const decoder = new TextDecoder();
  const read = async () => {
    for (let part = await reader.read(); !part.done; part = await reader.read())
      heard.text += decoder.decode(part.value, { stream: true });
    heard.isOver = true;
  };
  read().catch(() => (heard.isOver = true));
  return heard;
}

const until = async (holds: () => boolean): Promise<void> => {
  for (let tries = 0; tries < 200 && !holds(); tries += 1) await new Promise((resolve) => setTimeout(resolve, 25));
  expect(holds()).toBe(true);
};
const tell = (told: object) => database.execute(sql`select pg_notify('hypophon_change', ${JSON.stringify(told)})`);
/** Who was here when it was told last. */
const lastHere = ({ text }: Heard): unknown => {
  const told = [...text.matchAll(/event: here\ndata: (.*)\n/g)].at(-1);
  return told ? JSON.parse(told[1]!) : null;
};
const isHere = (heard: Heard, pages: number, names: string[]) => () =>
  JSON.stringify(lastHere(heard)) === JSON.stringify({ pages, names, people: [] });

test("what is open on a page is told to the crew, and only what a page may say", async () => {
  const crew = randomUUID();
  const [page, member] = [randomUUID(), "asta"];
  const heard = listen(crew, { page, name: "Asta", member });
  const acting = { crewId: crew, member, role: "guest" as const, database };
  await until(isHere(heard, 1, ["Asta"]));
  await requestHere(acting, { page, at: "shoot roll " });
  await until(() => heard.text.includes('"at":"shoot roll "'));
  for (const wrong of [
    { page: "1", at: "" },
    { page, at: "x".repeat(161) },
    { page, at: "水" },
    { page },
    { page, at: "", name: "Olin" },
  ])
    await expect(requestHere(acting, wrong)).rejects.toMatchObject({ code: "invalid" });
});

test("who comes and goes is told to all pages of the crew, and to no other crew", async () => {
  const [crew, other] = [randomUUID(), randomUUID()];
  const first = listen(crew);
  const stranger = listen(other, { name: "Stranger" });
  await until(isHere(first, 1, ["Olin"]));
  const second = listen(crew, { member: "asta", name: "Asta" });
  await until(isHere(first, 2, ["Asta", "Olin"]));
  await until(isHere(second, 2, ["Asta", "Olin"]));
  second.leave();
  await until(isHere(first, 1, ["Olin"]));
  expect(stranger.text).not.toMatch(/Olin|Asta/);
});

test("a page whose line is made anew before the broken one has ended stays here", async () => {
  const [crew, page] = [randomUUID(), randomUUID()];
  const watching = listen(crew);
  const broken = listen(crew, { page, member: "asta", name: "Asta" });
  await until(isHere(watching, 2, ["Asta", "Olin"]));
  listen(crew, { page, member: "asta", name: "Asta" });
  broken.leave();
  await new Promise((resolve) => setTimeout(resolve, 100));
  expect(isHere(watching, 2, ["Asta", "Olin"])()).toBe(true);
});

test("many pages with long names are told all the same to whoever comes", async () => {
  const crew = randomUUID();
  const name = "\u0001水".repeat(200);
  for (let at = 0; at < 20; at += 1) listen(crew, { name: `${at} ${name}` });
  const last = listen(crew, { name });
  await until(() => (lastHere(last) as { pages: number } | null)?.pages === 21);
});

test("when all have left and somebody comes, only they are here", async () => {
  const crew = randomUUID();
  const pages = [listen(crew), listen(crew, { member: "asta", name: "Asta" })];
  await until(isHere(pages[0]!, 2, ["Asta", "Olin"]));
  for (const each of pages) each.leave();
  await new Promise((resolve) => setTimeout(resolve, 100));
  const next = listen(crew, { member: "ines", name: "Ines" });
  await until(isHere(next, 1, ["Ines"]));
});

test("a change is told to its own crew only, with its shoot and number", async () => {
  const [crew, other, shootId] = [randomUUID(), randomUUID(), randomUUID()];
  const [own, stranger] = [listen(crew), listen(other)];
  await until(isHere(own, 1, ["Olin"]));
  await until(isHere(stranger, 1, ["Olin"]));
  await tell({ crewId: crew, shootId, seq: 7 });
  await until(() => own.text.includes(`event: change\ndata: ${JSON.stringify({ shootId, seq: 7 })}`));
  expect(stranger.text).not.toContain(shootId);
});

test("whoever is signed out hears it on every page, and the line ends; others go on", async () => {
  const crew = randomUUID();
  const olin = listen(crew);
  const asta = [listen(crew, { member: "asta" }), listen(crew, { member: "asta" })];
  for (const each of [olin, ...asta]) await until(() => lastHere(each) !== null && isHere(each, 3, ["Olin"])());
  await tell({ signedOut: "asta" });
  for (const each of asta) await until(() => each.isOver && each.text.includes("event: signedOut"));
  await until(isHere(olin, 1, ["Olin"]));
  expect(olin.text).not.toContain("signedOut");
  expect(olin.isOver).toBe(false);
});

test("a session that ended elsewhere ends the line at the next word", async () => {
  jest.useFakeTimers({
    doNotFake: ["setTimeout", "setImmediate", "nextTick", "queueMicrotask", "performance", "Date"],
  });
  try {
    let isIn = true;
    const heard = listen(randomUUID(), { isStillIn: () => Promise.resolve(isIn) });
    await until(() => lastHere(heard) !== null);
    jest.advanceTimersByTime(10_000);
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect(heard.isOver).toBe(false);
    isIn = false;
    jest.advanceTimersByTime(10_000);
    await until(() => heard.isOver);
    expect(heard.text).toContain("event: signedOut");
  } finally {
    jest.useRealTimers();
  }
});

test("what is said on the line and is no news is no reason to break", async () => {
  const crew = randomUUID();
  const heard = listen(crew);
  await until(isHere(heard, 1, ["Olin"]));
  await database.execute(sql`select pg_notify('hypophon_change', 'no JSON')`);
  await until(() => heard.text.includes("event: missed"));
  expect(heard.isOver).toBe(false);
});
