import { randomUUID } from "node:crypto";
import { LIVING_ROOM } from "../../core/room";
import { SLACK_WATER } from "../../demo/slackWater";
import type { WebProcess } from "../webProcess";
import { Client, memoryMb, part, pause, tell, withTwoWebs } from "./benchClient";

const CREWS = 100;
const PHONES_A_CREW = 4;
const CLIENTS = CREWS * (1 + PHONES_A_CREW);
/** Somebody at work changes something about so often, ms. */
const EVERY_MS = 10_000;
/** Within this all have come, ms. */
const ARRIVING_MS = 20_000;
const MINUTES = 3;
const QUICK_MINUTES = 0.7;
const SAVE_MS = 250;
const MEMORY_MB = 1024;
const LOGINS = 100;
/** Guesses that are under way at once may all pass the count that the last of them ends. */
const AT_ONCE_SHARE = 0.02;
const GUESSES = 10_000;
const GUESSED_ADDRESSES = 100;
const PASSWORD = "slack water at dawn";
const HEAP_MB = 384;

interface Load {
  saves: { atMs: number; ms: number }[];
  news: number;
  errors: number;
  mostMb: number;
  why: Set<string>;
}

const since = (began: number): string => ((performance.now() - began) / 1000).toFixed(0);

/** Each crew comes from a network of its own. */
const networkOf = (crew: number): string => `10.0.${Math.floor(crew / 200)}.${(crew % 200) + 1}`;

/** An owner with an account, and phones that came by the pass of the day. */
async function makeCrew(webs: readonly WebProcess[], at: number): Promise<Client[]> {
  const addressOf = (client: number) => webs[client % webs.length]!.address;
  const owner = new Client(addressOf(at), networkOf(at));
  const email = `owner${at}.${Date.now()}@example.org`;
  await owner.ask("/api/accounts/sign-up/email", { name: `Owner ${at}`, email, password: PASSWORD });
  const { token } = await owner.ask<{ token: string }>("/api/crew", { do: "passForDay", role: "assistant" });
  const phones = Array.from(
    { length: PHONES_A_CREW },
    (_, phone) => new Client(addressOf(at + phone + 1), networkOf(at)),
  );
  for (const [phone, each] of phones.entries())
    await each.ask("/api/accounts/sign-in/day", { token, name: `Phone ${phone}` });
  return [owner, ...phones];
}

/** One person at work in a place of the crew's shoot, until it is over. */
async function work(client: Client, shootId: string, untilMs: number, load: Load): Promise<void> {
  const placeId = randomUUID();
  let widthM = 4;
  try {
    // Nobody comes in the same second as all others.
    await pause(Math.random() * ARRIVING_MS);
    client.listen(() => (load.news += 1));
    const body = { shootId, name: "Place", model: LIVING_ROOM };
    await client.send([{ op: "create", kind: "place", id: placeId, body }]);
    while (performance.now() < untilMs) {
      const next = Number((1 + ((widthM * 100 + 1 - 100) % 5000) / 100).toFixed(2));
      const began = performance.now();
      const changes = [{ path: ["model", "widthM"], from: widthM, to: next }];
      const { outcomes } = await client.send([{ op: "patch", kind: "place", id: placeId, changes }]);
      load.saves.push({ atMs: began, ms: performance.now() - began });
      if (outcomes[0]?.outcome !== "done") load.errors += 1;
      widthM = next;
      await pause(EVERY_MS * (0.5 + Math.random()));
    }
  } catch (error) {
    load.errors += 1;
    load.why.add(String(error).slice(0, 160));
  }
}

const savesWithin = ({ saves }: Load, [from, to]: readonly [number, number]): number[] =>
  saves.filter(({ atMs }) => atMs >= from && atMs < to).map(({ ms }) => ms);

/** Many sign in at once. */
async function signInAll(webs: readonly WebProcess[], emails: readonly string[]): Promise<number[]> {
  return Promise.all(
    emails.map(async (email, at) => {
      const client = new Client(webs[at % webs.length]!.address, networkOf(at));
      const began = performance.now();
      await client.ask("/api/accounts/sign-in/email", { email, password: PASSWORD });
      client.close();
      return performance.now() - began;
    }),
  );
}

/** Guesses at addresses, some at a time; how they were answered. */
async function guess(webs: readonly WebProcess[], emails: readonly string[]): Promise<Record<string, number>> {
  const answers: Record<string, number> = {};
  let left = GUESSES;
  const worker = async (at: number) => {
    const { address } = webs[at % webs.length]!;
    while (left-- > 0) {
      const email = emails[left % emails.length]!;
      const { status } = await fetch(`${address}/api/accounts/sign-in/email`, {
        method: "POST",
        headers: { "content-type": "application/json", "x-forwarded-for": networkOf(at), origin: address },
        body: JSON.stringify({ email, password: `guess ${left} guess` }),
      });
      answers[status] = (answers[status] ?? 0) + 1;
    }
  };
  await Promise.all(Array.from({ length: 16 }, (_, at) => worker(at)));
  return answers;
}

/** Five hundred people who are signed in and listen, on two web processes; then many who sign in at once, and one who guesses. */
export async function benchCrews(args: readonly string[]): Promise<number> {
  const minutes = args.includes("--quick") ? QUICK_MINUTES : MINUTES;
  const environment = { HYPOPHON_SECRET: "only for this bench, and long enough for it", HYPOPHON_PROXY: "127.0.0.1" };
  return withTwoWebs(HEAP_MB, { args: ["--accounts"], environment }, async (webs) => {
    const load: Load = { saves: [], news: 0, errors: 0, mostMb: 0, why: new Set() };
    const arriving = performance.now();
    const crews: { clients: Client[]; shootId: string }[] = [];
    for (let at = 0; at < CREWS; at += 4)
      crews.push(
        ...(await Promise.all(
          [0, 1, 2, 3].map(async (each) => {
            const clients = await makeCrew(webs, at + each);
            const shootId = randomUUID();
            const body = { ...SLACK_WATER.shoot, title: `Crew ${at + each}` };
            await clients[0]!.send([{ op: "create", kind: "shoot", id: shootId, body }]);
            return { clients, shootId };
          }),
        )),
      );
    tell(`${CREWS} accounts made and ${CREWS * PHONES_A_CREW} phones signed in for the day in ${since(arriving)} s`);
    const emails: string[] = [];
    for (let at = 0; at < LOGINS; at += 1) {
      const email = `later${at}.${Date.now()}@example.org`;
      await new Client(webs[at % 2]!.address, networkOf(at)).ask("/api/accounts/sign-up/email", {
        ...{ name: "Later", email, password: PASSWORD },
      });
      emails.push(email);
    }
    const began = performance.now() + ARRIVING_MS;
    const until = began + minutes * 60_000;
    const watching = setInterval(() => {
      load.mostMb = Math.max(load.mostMb, ...webs.map(memoryMb));
    }, 1000);
    const atWork = crews.flatMap(({ clients, shootId }) =>
      clients.map((client) => work(client, shootId, until + 20_000, load)),
    );
    await pause(ARRIVING_MS + minutes * 60_000);
    const calm = savesWithin(load, [began, performance.now()]);
    const signing = performance.now();
    const logins = await signInAll(webs, emails);
    const signed = [signing, performance.now()] as const;
    const guessing = performance.now();
    const answers = await guess(webs, emails.slice(0, GUESSED_ADDRESSES));
    const guessed = [guessing, performance.now()] as const;
    await Promise.all(atWork.map((each) => Promise.race([each, pause(until + 25_000 - performance.now())])));
    clearInterval(watching);
    for (const { clients } of crews) for (const client of clients) client.close();
    const p95 = part(calm, 0.95);
    tell(
      `${CLIENTS} clients that listen, each changing something every ${EVERY_MS / 1000} s, ${minutes} min: ${calm.length} saves, ` +
        `${load.errors} errors; median ${part(calm, 0.5).toFixed(0)}, p95 ${p95.toFixed(0)}, worst ${Math.max(...calm).toFixed(0)} ms; ` +
        `${load.news} changes heard; memory of a process at most ${load.mostMb.toFixed(0)} MB`,
    );
    for (const why of load.why) tell(`  ${why}`);
    const meanwhile = savesWithin(load, signed);
    tell(
      `${LOGINS} sign in at once: median ${part(logins, 0.5).toFixed(0)}, worst ${Math.max(...logins).toFixed(0)} ms; ` +
        `saves meanwhile p95 ${part(meanwhile, 0.95).toFixed(0)} ms of ${meanwhile.length}`,
    );
    const during = savesWithin(load, guessed);
    const tried = answers["401"] ?? 0;
    tell(
      `${GUESSES} guesses at ${GUESSED_ADDRESSES} addresses in ${((guessed[1] - guessed[0]) / 1000).toFixed(0)} s: ` +
        `${JSON.stringify(answers)}; ${tried} were compared with a password; saves meanwhile p95 ${part(during, 0.95).toFixed(0)} ms of ${during.length}`,
    );
    const isGood =
      load.errors === 0 && p95 <= SAVE_MS && load.mostMb <= MEMORY_MB && tried <= (1 + AT_ONCE_SHARE) * (GUESSES / 10);
    tell(isGood ? "all within their limits" : "something is beyond its limit: see docs/figures.md");
    return isGood ? 0 : 1;
  });
}
