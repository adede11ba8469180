import type { QueryClient } from "@tanstack/react-query";
import { v5 as uuidOf } from "uuid";
import { may, rightOf } from "@/core/crew";
import type { Change, FaultMessage, RecordKind, Stored } from "@/core/records";
import { Device, type Sync } from "./device";
import { keeper as makeKeeper, type Keeper, type Message } from "./keeper";
import { NOBODY, openLive, type WhoIsHere } from "./live";
import { withDeed, type Deed } from "./pending";
import { makeQueries, newsFor } from "./queries";
import { sender as makeSender, type Sender } from "./sender";
import {
  askChanges,
  askMe,
  bind,
  knownInstallation,
  knownRole,
  Refused,
  sendCommands,
  sendLeaving,
  type ShootList,
} from "./server";
import { shootStore } from "./shootStore";
import { takeOverEarlier } from "./earlierSaves";

/** What all parts of a page share: what this device keeps, what is sent, and what others change. */
export interface Hub {
  keeper: Keeper;
  sender: Sender;
  queries: QueryClient;
  storeOf: (shootId: string) => ReturnType<typeof shootStore>;
  /** Asks the server for what changed in a shoot; false where there is no such shoot. */
  pull: (shootId: string) => Promise<boolean>;
  subscribe: (listener: () => void) => () => void;
  /** Deletes a shoot, or brings one back, from outside of it. */
  remove: (kind: "shoot", shoot: Pick<Stored<"shoot">, "id" | "body">) => void;
  restore: (kind: "shoot", id: string, title: string) => void;
  /** How many changes that an earlier visit had left were saved by this one. */
  savedEarlier: () => number;
  /** Who of the crew is here, on how many devices. */
  here: () => WhoIsHere;
  /** Hears what somebody wanted to do and may not. */
  onNotAllowed: (listener: (says: FaultMessage) => void) => () => void;
}

/** Ids of what there is one of follow from what it is for: two tabs that make it make the same. */
export const idFor = (shootId: string, kind: RecordKind, ...of: string[]): string =>
  uuidOf([kind, ...of].join(" "), shootId);

/** Under which name all that was measured of a take is asked for. */
export const takeKey = (measurementId: string) => ["takes", measurementId] as const;

/** A list of shoots after one of them changed, went into the bin, or came back. */
function withShoot({ shoots, bin }: ShootList, shoot: Change<"shoot">): ShootList {
  const { id, isDeleted, changedAt, body } = shoot;
  const others = bin.filter((each) => each.id !== id);
  const isKnown = shoots.some((each) => each.id === id);
  if (isDeleted)
    return {
      shoots: shoots.filter((each) => each.id !== id),
      bin: [{ id, title: body.title, deletedAt: changedAt }, ...others],
    };
  return { shoots: isKnown ? shoots.map((each) => (each.id === id ? shoot : each)) : [...shoots, shoot], bin: others };
}

const newKey = (): string => crypto.randomUUID();

/** Whether somebody is in the middle of a word. */
function isTyping(): boolean {
  const field = document.activeElement;
  return (
    field instanceof HTMLTextAreaElement ||
    (field instanceof HTMLInputElement && !/^(radio|checkbox|range|button|file|submit)$/.test(field.type)) ||
    (field instanceof HTMLElement && field.isContentEditable)
  );
}

async function openHub(): Promise<Hub> {
  const me = askMe().catch(() => undefined);
  if (knownInstallation() === "") await me;
  bind();
  const device = new Device(knownInstallation() || "unknown");
  const channel = typeof BroadcastChannel === "undefined" ? null : new BroadcastChannel(device.name);
  const keeper = makeKeeper(device, (message) => channel?.postMessage(message));
  const queries = makeQueries(device);
  const learnTake = (record: Change<"takeDetail">) =>
    queries.setQueryData(takeKey(record.body.measurementId), record.isDeleted ? null : record);
  const learnShoot = (record: Change<"shoot">) =>
    queries.setQueryData<ShootList>(["shoots"], (list) => list && withShoot(list, record));
  const listeners = new Set<() => void>();
  const notify = () => listeners.forEach((listener) => listener());
  let page = newKey();
  let isLeader = typeof navigator.locks === "undefined";
  const earlier = new Set<string>();
  let savedEarlier = 0;

  const refused = new Set<(says: FaultMessage) => void>();
  /** The server refuses what a role may not; here it is not even tried. */
  function mayDo(op: Deed["op"], kind: RecordKind): boolean {
    const [role, right] = [knownRole(), rightOf(op, kind)];
    if (may(role, right)) return true;
    refused.forEach((tell) => tell({ code: "right.missing", role, right }));
    return false;
  }

  /** Who of the crew is here. */
  let here: WhoIsHere = NOBODY;

  /** What the tab says that sends for all. */
  let isLeaderAway = false;
  const tellAway = () => {
    if (isLeader) channel?.postMessage({ type: "away", isAway: sender.isAway() } satisfies NewsMessage);
  };

  const sender = makeSender({
    keeper,
    async send(commands) {
      const outcomes = await sendCommands(commands);
      for (const record of outcomes.flatMap((outcome) => ("records" in outcome ? outcome.records : [])))
        if (record.kind === "takeDetail") learnTake(record as Change<"takeDetail">);
        else if (record.kind === "shoot") learnShoot(record as Change<"shoot">);
      return outcomes;
    },
    sendLeaving,
    sendsForAll: () => isLeader,
    newKey,
    now: () => Date.now(),
    later(task, afterMs) {
      const timer = setTimeout(task, afterMs);
      return () => clearTimeout(timer);
    },
    onAway() {
      tellAway();
      notify();
    },
    onDone(done) {
      savedEarlier += done.filter(({ madeBy }) => earlier.has(madeBy)).length;
      notify();
    },
  });
  keeper.subscribe(() => {
    sender.nudge();
    notify();
  });

  const known = new Map<string, Sync>();
  const stores = new Map<string, ReturnType<typeof shootStore>>();

  async function pull(shootId: string): Promise<boolean> {
    const before = known.get(shootId) ?? (await keeper.open(shootId));
    try {
      let changes = await askChanges(shootId, before?.seq ?? 0);
      const isAll = !before || before.epoch !== changes.epoch;
      if (isAll && before) changes = await askChanges(shootId, 0);
      const { epoch, seq, records } = changes;
      known.set(shootId, { shootId, epoch, seq });
      await keeper.learn(shootId, records, { epoch, seq }, isAll);
      await takeOverEarlier(shootId, keeper, newKey);
      return true;
    } catch (error) {
      if (error instanceof Refused && error.status === 404) return false;
      throw error;
    }
  }

  const { refresh, soon } = newsFor(queries);

  function onNews(shootId: string | null, seq: number): void {
    // A shoot that was made here may not have been asked for yet.
    for (const id of new Set([...known.keys(), ...stores.keys()]))
      if ((shootId === null || shootId === id) && (known.get(id)?.seq ?? 0) < seq) soon(["shoot", id]);
    soon(["shoots"]);
    soon(["takes"]);
  }

  function onMissed(): void {
    void refresh();
  }

  channel?.addEventListener("message", ({ data }: MessageEvent<Message | NewsMessage>) => {
    switch (data.type) {
      case "commands":
        void keeper.reload();
        break;
      case "records":
        keeper.hear(data.news);
        break;
      case "news":
        onNews(data.shootId, data.seq);
        break;
      case "missed":
        onMissed();
        break;
      case "away":
        isLeaderAway = data.isAway;
        notify();
        break;
      case "isAway?":
        tellAway();
        if (isLeader) channel.postMessage({ type: "here", here } satisfies NewsMessage);
        break;
      case "here":
        here = data.here;
        notify();
    }
  });
  if (!isLeader) channel?.postMessage({ type: "isAway?" } satisfies NewsMessage);

  function lead(): void {
    isLeader = true;
    sender.nudge();
    openLive({
      onNews(shootId, seq) {
        onNews(shootId, seq);
        channel?.postMessage({ type: "news", shootId, seq } satisfies NewsMessage);
      },
      onMissed() {
        onMissed();
        channel?.postMessage({ type: "missed" } satisfies NewsMessage);
      },
      // The server answers again: what waits goes.
      onHeard: () => void sender.hurry(),
      onHere(next) {
        here = next;
        notify();
        channel?.postMessage({ type: "here", here } satisfies NewsMessage);
      },
    });
  }
  if (isLeader) lead();
  // One tab sends for all, as long as it is there.
  else
    void navigator.locks.request(`${device.name} sends`, () => {
      lead();
      return new Promise<never>(() => undefined);
    });

  window.addEventListener("pagehide", () => {
    sender.leave();
    page = newKey();
  });
  window.addEventListener("online", () => void sender.hurry());
  document.addEventListener("visibilitychange", () => {
    if (document.visibilityState === "visible") void keeper.reload();
    void sender.hurry();
  });

  await keeper.reload();
  for (const { madeBy } of keeper.pendings()) earlier.add(madeBy);
  sender.nudge();

  function act(deed: Deed, name: string): void {
    if (!mayDo(deed.op, deed.kind)) return;
    const doing = { key: newKey(), shootId: deed.id, name, madeBy: page, nowMs: Date.now(), isTyped: false };
    void keeper.change((pendings) => withDeed(pendings, deed, doing));
    sender.nudge();
  }

  return {
    remove: (kind, { id, body }) => act({ op: "delete", kind, id }, body.title),
    restore: (kind, id, title) => act({ op: "restore", kind, id }, title),
    onNotAllowed(listener) {
      refused.add(listener);
      return () => refused.delete(listener);
    },
    keeper,
    sender,
    queries,
    pull,
    subscribe(listener) {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    savedEarlier: () => savedEarlier,
    here: () => here,
    storeOf(shootId) {
      const store =
        stores.get(shootId) ??
        shootStore({
          keeper,
          subscribe: (listener) => {
            listeners.add(listener);
            return () => listeners.delete(listener);
          },
          shootId,
          isAway: () => sender.isAway() || (!isLeader && isLeaderAway),
          page: () => page,
          newKey,
          now: () => Date.now(),
          mayDo,
          nudge: sender.nudge,
          isTyping,
        });
      stores.set(shootId, store);
      return store;
    },
  };
}

type NewsMessage =
  | { type: "news"; shootId: string | null; seq: number }
  | { type: "missed" }
  /** Whether the tab that sends for all reaches the server; another one wants to know. */
  | { type: "away"; isAway: boolean }
  | { type: "isAway?" }
  | { type: "here"; here: WhoIsHere };

let hub: Promise<Hub> | null = null;
/** The page's one hub; opened in the browser when it is first asked for. */
export const theHub = (): Promise<Hub> => (hub ??= openHub());
