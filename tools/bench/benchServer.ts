import { randomUUID } from "node:crypto";
import type { Change } from "../../core/records";
import { LIVING_ROOM } from "../../core/room";
import { SLACK_WATER } from "../../demo/slackWater";
import type { WebProcess } from "../webProcess";
import { Client, memoryMb, part, pause, tell, withTwoWebs } from "./benchClient";
import { fillShoot } from "./fillShoot";

const CLIENTS = 50;
/** How long it goes on, and with --quick. */
const MINUTES = 10;
const QUICK_MINUTES = 0.5;
/** Each client changes something about so often, ms. */
const EVERY_MS = 1000;
/** Within this all have come, ms. */
const ARRIVING_MS = 15_000;
const SAVE_MS = 300;
const SEEN_MS = 1000;
const HEALTH_MS = 50;
/** What the least memory of the last third may be over that of the second, and the heap a process has, MB. */
const GROWTH_MB = 40;
const HEAP_MB = 192;

interface Load {
  saveMs: number[];
  seenMs: number[];
  healthMs: number[];
  memory: { atMs: number; mb: number[] }[];
  errors: number;
}

/** One client's shoot, changed again and again; another device on the other process looks for what it hears. */
async function work(webs: readonly [WebProcess, WebProcess], at: number, untilMs: number, load: Load): Promise<void> {
  const [own, other] = [new Client(webs[at % 2]!.address), new Client(webs[(at + 1) % 2]!.address)];
  const [shootId, placeId] = [randomUUID(), randomUUID()];
  const place = { shootId, name: "Place", model: LIVING_ROOM };
  let widthM = 4;
  let seq = 0;
  const waiting = new Map<number, number>();
  let isLooking = false;
  const look = async () => {
    if (isLooking) return;
    isLooking = true;
    const { records, seq: newest } = await other.ask<{ records: Change[]; seq: number }>(
      `/api/shoots/${shootId}/records?since=${seq}`,
    );
    seq = newest;
    for (const { kind, body } of records)
      if (kind === "place") {
        const began = waiting.get((body as typeof place).model.widthM);
        if (began !== undefined) load.seenMs.push(performance.now() - began);
        waiting.clear();
      }
    isLooking = false;
  };
  try {
    // Nobody comes in the same second as all others.
    await pause(Math.random() * ARRIVING_MS);
    await own.send([
      { op: "create", kind: "shoot", id: shootId, body: { ...SLACK_WATER.shoot, title: `Client ${at}` } },
      { op: "create", kind: "place", id: placeId, body: place },
    ]);
    other.listen((changed) => {
      if (changed === shootId)
        look().catch(() => {
          load.errors += 1;
        });
    });
    while (performance.now() < untilMs) {
      const next = Number((1 + ((widthM * 100 + 1 - 100) % 5000) / 100).toFixed(2));
      const began = performance.now();
      waiting.set(next, began);
      const { outcomes } = await own.send([
        { op: "patch", kind: "place", id: placeId, changes: [{ path: ["model", "widthM"], from: widthM, to: next }] },
      ]);
      load.saveMs.push(performance.now() - began);
      if (outcomes[0]?.outcome !== "done") load.errors += 1;
      widthM = next;
      await pause(EVERY_MS * (0.5 + Math.random()) - (performance.now() - began));
    }
  } catch (error) {
    load.errors += 1;
    process.stderr.write(`client ${at}: ${error instanceof Error ? error.message : String(error)}\n`);
  } finally {
    own.close();
    other.close();
  }
}

/** How long somebody waits for a sign of life, while a very large shoot is read again and again. */
async function watch(
  webs: readonly [WebProcess, WebProcess],
  hugeId: string,
  untilMs: number,
  load: Load,
): Promise<void> {
  const client = new Client(webs[0].address);
  const began = performance.now();
  let isReading = false;
  for (let round = 0; performance.now() < untilMs; round += 1) {
    const asked = performance.now();
    await client.ask("/api/health").catch(() => {
      load.errors += 1;
    });
    load.healthMs.push(performance.now() - asked);
    if (round % 20 === 0) load.memory.push({ atMs: asked - began, mb: webs.map(memoryMb) });
    if (round % 40 === 10 && !isReading) {
      isReading = true;
      void client
        .ask(`/api/shoots/${hugeId}/records?since=0`)
        .catch(() => {
          load.errors += 1;
        })
        .finally(() => {
          isReading = false;
        });
    }
    await pause(250);
  }
  client.close();
}

/** Fifty people at work on two web processes and one database: how soon it is saved, seen elsewhere, and what memory it takes. */
export async function benchServer(args: readonly string[]): Promise<number> {
  const minutes = args.includes("--quick") ? QUICK_MINUTES : MINUTES;
  return withTwoWebs(HEAP_MB, {}, async (both, urls) => {
    const hugeId = await fillShoot(urls.web, { talents: 60, scenes: 40, scenesEach: 40, takes: 500 });
    const load: Load = { saveMs: [], seenMs: [], healthMs: [], memory: [], errors: 0 };
    const until = performance.now() + minutes * 60_000;
    await Promise.all([
      watch(both, hugeId, until, load),
      ...Array.from({ length: CLIENTS }, (_, at) => work(both, at, until, load)),
    ]);
    const third = Math.max(1, Math.floor(load.memory.length / 3));
    // What is collected late is no growth: the least of each third.
    const least = (rows: Load["memory"], web: number) => Math.min(...rows.map(({ mb }) => mb[web]!));
    const growth = [0, 1].map(
      (web) => least(load.memory.slice(-third), web) - least(load.memory.slice(third, 2 * third), web),
    );
    const p95 = part(load.saveMs, 0.95);
    const seen = part(load.seenMs, 0.5);
    const health = part(load.healthMs, 0.95);
    tell(
      `${CLIENTS} clients on two web processes, ${minutes} min: ${load.saveMs.length} saves, ${load.errors} errors; ` +
        `a save median ${part(load.saveMs, 0.5).toFixed(0)}, p95 ${p95.toFixed(0)}, worst ${Math.max(...load.saveMs).toFixed(0)} ms`,
    );
    tell(
      `seen on another device, by the other process: median ${seen.toFixed(0)}, p95 ${part(load.seenMs, 0.95).toFixed(0)} ms of ${load.seenMs.length}`,
    );
    tell(
      `/api/health meanwhile, with a shoot of 2,400 rigs read every 10 s: median ${part(load.healthMs, 0.5).toFixed(0)}, p95 ${health.toFixed(0)}, worst ${Math.max(...load.healthMs).toFixed(0)} ms`,
    );
    tell(
      `memory of the processes: ${load.memory[0]!.mb.map((mb) => mb.toFixed(0)).join(" and ")} MB at first, ` +
        `${load.memory
          .at(-1)!
          .mb.map((mb) => mb.toFixed(0))
          .join(" and ")} MB at last; ` +
        `the least of the last third over the least of the second ${growth.map((mb) => `${mb >= 0 ? "+" : ""}${mb.toFixed(0)}`).join(" and ")} MB`,
    );
    const isGood =
      load.errors === 0 && p95 <= SAVE_MS && seen <= SEEN_MS && health <= HEALTH_MS && Math.max(...growth) <= GROWTH_MB;
    tell(isGood ? "all within their limits" : "something is beyond its limit: see docs/figures.md");
    return isGood ? 0 : 1;
  });
}
