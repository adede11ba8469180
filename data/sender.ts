import { type Command, dependsOn, type FaultMessage, type Outcome } from "@/core/records";
import type { Keeper } from "./keeper";
import { nextDueMs, retryAfterMs, sendable, withOutcome, withSent, type Pending } from "./pending";
import { Away, Broken, Refused } from "./server";

export interface SenderOptions {
  keeper: Keeper;
  send: (commands: readonly Command[]) => Promise<Outcome[]>;
  /** Sends while the page goes away. */
  sendLeaving: (commands: readonly Command[]) => void;
  /** Whether this page sends what all tabs have to send, or only what it alone has. */
  sendsForAll: () => boolean;
  newKey: () => string;
  now: () => number;
  later: (task: () => void, afterMs: number) => () => void;
  onAway: (isAway: boolean) => void;
  /** Commands of earlier visits that were done. */
  onDone: (done: readonly Pending[]) => void;
}

export interface Sender {
  /** Looks whether there is something to send; call when something may have changed. */
  nudge: () => void;
  /** Sends at once, also what was waited with: there is a connection again, or somebody wants to know. */
  hurry: () => Promise<void>;
  /** Sends what fits while the page goes away. */
  leave: () => void;
  isAway: () => boolean;
}

const MOST_AT_ONCE = 20;
const MOST_BYTES_AT_ONCE = 900_000;
/** What browsers take of requests that outlive their page. */
const MOST_BYTES_LEAVING = 60_000;

const sizeOf = (command: Command): number => new TextEncoder().encode(JSON.stringify(command)).length;

/** The first so many, and so many bytes; the first always. */
function within<Each extends { command: Command }>(pendings: readonly Each[], most: number, bytes: number): Each[] {
  let size = 0;
  return pendings.slice(0, most).filter(({ command }, at) => {
    size += sizeOf(command);
    return at === 0 || size <= bytes;
  });
}

/** Sends commands, with retries while the server is away; every one is marked on the device before it leaves. */
export function sender(options: SenderOptions): Sender {
  const { keeper, now } = options;
  let running: Promise<void> | null = null;
  let cancelTimer: (() => void) | null = null;
  let triesAway = 0;
  let isAway = false;
  let hasNews = false;

  const own = (): readonly Pending[] => {
    const here = keeper.onlyHere();
    return options.sendsForAll() ? keeper.pendings() : keeper.pendings().filter(({ command }) => here.has(command.key));
  };

  function schedule(afterMs: number): void {
    cancelTimer?.();
    cancelTimer = options.later(() => void run(), Math.max(0, afterMs));
  }

  function setAway(next: boolean): void {
    triesAway = next ? triesAway + 1 : 0;
    if (isAway === next) return;
    isAway = next;
    options.onAway(next);
  }

  /** Each alone; what depends on one that was not done is not asked for. */
  async function outcomesOneByOne(commands: readonly Command[]): Promise<Outcome[]> {
    const failed = (says: FaultMessage): Outcome => ({ outcome: "failed", says, requestId: "" });
    const outcomes: Outcome[] = [];
    const undone: Command[] = [];
    for (const command of commands) {
      const isHeld = undone.some((earlier) => dependsOn(command, earlier));
      const [outcome] = isHeld
        ? [failed({ code: "record.waits" })]
        : await outcomesOf([command]).catch((error: unknown) => {
            if (error instanceof Broken) return [failed({ code: "record.failed", requestId: null })];
            throw error;
          });
      outcomes.push(outcome!);
      if (outcome!.outcome === "failed" || outcome!.outcome === "refused") undone.push(command);
    }
    return outcomes;
  }

  /** What came of each. Where they fail or are refused as a whole each is asked for alone, so that one does not hold the others. */
  async function outcomesOf(commands: readonly Command[]): Promise<Outcome[]> {
    try {
      return await options.send(commands);
    } catch (error) {
      const isAlone = commands.length === 1;
      if (error instanceof Refused)
        return isAlone
          ? [{ outcome: "refused", says: error.says, fields: [], isMissing: false }]
          : outcomesOneByOne(commands);
      if (!(error instanceof Broken) || isAlone) throw error;
      const outcomes = await outcomesOneByOne(commands);
      // It is the server, then, and not what was asked.
      if (outcomes.every(({ outcome }) => outcome === "failed")) throw error;
      return outcomes;
    }
  }

  async function sendBatch(batch: readonly Pending[]): Promise<void> {
    const keys = new Set(batch.map(({ command }) => command.key));
    await keeper.change((pendings) => withSent(pendings, keys));
    const commands = batch.map(({ command }) => command);
    const outcomes = await outcomesOf(commands);
    const told = outcomes.map((outcome, at) => ({ outcome, key: commands[at]!.key, newKey: options.newKey() }));
    const at = now();
    await keeper.settle(
      (pendings) =>
        told.reduce((rest, { key, outcome, newKey }) => withOutcome(rest, key, outcome, newKey, at), pendings),
      told.flatMap(({ outcome }) => ("records" in outcome ? outcome.records : [])),
    );
    options.onDone(batch.filter((_, index) => outcomes[index]?.outcome === "done"));
  }

  async function work(isHurry: boolean): Promise<void> {
    for (let isFirst = true; ; isFirst = false) {
      hasNews = false;
      const at = isHurry && isFirst ? Number.MAX_SAFE_INTEGER : now();
      const batch = within(sendable(own(), at), MOST_AT_ONCE, MOST_BYTES_AT_ONCE);
      if (batch.length === 0) {
        const next = nextDueMs(own(), now());
        if (next !== null) schedule(next - now());
        return;
      }
      try {
        await sendBatch(batch);
        setAway(false);
      } catch (error) {
        // Whatever went wrong, it is tried again.
        if (!(error instanceof Away)) console.error(error);
        setAway(true);
        schedule(retryAfterMs(triesAway - 1) / 2);
        return;
      }
    }
  }

  function run(isHurry = false): Promise<void> {
    if (running) {
      hasNews = true;
      return running;
    }
    cancelTimer?.();
    running = work(isHurry).finally(() => {
      running = null;
      if (hasNews && !isAway) nudge();
    });
    return running;
  }

  function nudge(): void {
    if (running) hasNews = true;
    // While the server is away its own pace is kept.
    else if (!isAway) {
      const at = now();
      if (sendable(own(), at).length > 0) schedule(0);
      else {
        const next = nextDueMs(own(), at);
        if (next !== null) schedule(next - at);
      }
    }
  }

  return {
    nudge,
    hurry: async () => {
      await running;
      await run(true);
    },
    leave() {
      const batch = within(sendable(own(), Number.MAX_SAFE_INTEGER), MOST_AT_ONCE, MOST_BYTES_LEAVING).filter(
        ({ command }) => sizeOf(command) <= MOST_BYTES_LEAVING,
      );
      if (batch.length === 0) return;
      const keys = new Set(batch.map(({ command }) => command.key));
      void keeper.change((pendings) => withSent(pendings, keys));
      options.sendLeaving(batch.map(({ command }) => command));
    },
    isAway: () => isAway,
  };
}
