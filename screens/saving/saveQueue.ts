import type { RecordBodies, RecordKind, Stored } from "@/core/shoot/records";

/** A change that is not yet on the server. */
export interface PendingSave {
  kind: RecordKind;
  id: string;
  /** Version the change was made on; null for a new record. */
  version: number | null;
  body: RecordBodies[RecordKind];
}

export type SendResult =
  | { outcome: "saved"; stored: Stored<RecordKind> }
  | { outcome: "stale"; current: Stored<RecordKind> }
  | { outcome: "refused"; message: string }
  | { outcome: "away" };

export interface SaveState {
  phase: "saved" | "saving" | "waiting" | "refused";
  pending: number;
  message: string | null;
}

export interface SaveQueueOptions {
  send: (save: PendingSave) => Promise<SendResult>;
  /** Survives a reload; null where there is none. */
  storage: Pick<Storage, "getItem" | "setItem" | "removeItem"> | null;
  storageKey: string;
  onSaved: (save: PendingSave, stored: Stored<RecordKind>) => void;
  onStale: (save: PendingSave, current: Stored<RecordKind>) => void;
  onState: (state: SaveState) => void;
  /** Runs a task after some time; replaced in tests. */
  later: (task: () => void, afterMs: number) => () => void;
}

export interface SaveQueue {
  put(save: PendingSave): void;
  /** Changes that an earlier visit could not save. */
  recover(): PendingSave[];
  /** Forgets a change, after its conflict was decided. */
  drop(kind: RecordKind, id: string): void;
  flush(): Promise<void>;
  close(): void;
}

const TYPING_PAUSE_MS = 400;
const FIRST_RETRY_MS = 1000;
const LONGEST_RETRY_MS = 10_000;

interface Item extends PendingSave {
  revision: number;
  isRefused: boolean;
  isStale: boolean;
}

function keyOf(save: Pick<PendingSave, "kind" | "id">): string {
  return `${save.kind}/${save.id}`;
}

/**
 * Saves changes one after the other, newest body of each record, with retries while the server is away.
 * What is not saved is kept in storage, so that neither a killed server nor a closed tab loses it.
 */
export function saveQueue(options: SaveQueueOptions): SaveQueue {
  const items = new Map<string, Item>();
  let running: Promise<void> | null = null;
  let cancelTimer: (() => void) | null = null;
  let retryMs = FIRST_RETRY_MS;
  let isAway = false;
  let refusal: string | null = null;

  function persist(): void {
    if (!options.storage) return;
    const saves = [...items.values()].map(({ kind, id, version, body }) => ({ kind, id, version, body }));
    try {
      if (saves.length === 0) options.storage.removeItem(options.storageKey);
      else options.storage.setItem(options.storageKey, JSON.stringify(saves));
    } catch {
      // A full or forbidden storage costs the safety net, not the work: the queue goes on in memory.
    }
  }

  function tell(): void {
    const waiting = [...items.values()];
    const phase = waiting.some((item) => item.isRefused)
      ? "refused"
      : waiting.length === 0
        ? "saved"
        : isAway
          ? "waiting"
          : "saving";
    options.onState({ phase, pending: waiting.length, message: refusal });
  }

  function schedule(afterMs: number): void {
    cancelTimer?.();
    cancelTimer = options.later(() => void flush(), afterMs);
  }

  async function sendOne(item: Item): Promise<boolean> {
    const { revision } = item;
    const result = await options.send({ kind: item.kind, id: item.id, version: item.version, body: item.body });
    const isUntouched = item.revision === revision;
    switch (result.outcome) {
      case "saved":
        item.version = result.stored.version;
        if (isUntouched) items.delete(keyOf(item));
        options.onSaved(item, result.stored);
        return true;
      case "stale":
        item.isStale = true;
        options.onStale(item, result.current);
        return true;
      case "refused":
        if (isUntouched) {
          item.isRefused = true;
          refusal = result.message;
        }
        return true;
      case "away":
        return false;
    }
  }

  async function work(): Promise<void> {
    for (;;) {
      const next = [...items.values()].find((item) => !item.isRefused && !item.isStale);
      if (!next) break;
      const wasReached = await sendOne(next);
      isAway = !wasReached;
      persist();
      tell();
      if (!wasReached) {
        schedule(retryMs);
        retryMs = Math.min(LONGEST_RETRY_MS, retryMs * 2);
        return;
      }
      retryMs = FIRST_RETRY_MS;
    }
  }

  function flush(): Promise<void> {
    running ??= work().finally(() => {
      running = null;
    });
    return running;
  }

  return {
    put(save) {
      const key = keyOf(save);
      const known = items.get(key);
      if (known) {
        known.body = save.body;
        known.revision += 1;
        known.isRefused = false;
      } else items.set(key, { ...save, revision: 0, isRefused: false, isStale: false });
      refusal = null;
      persist();
      tell();
      if (!isAway) schedule(TYPING_PAUSE_MS);
    },
    recover() {
      let saved: PendingSave[] = [];
      try {
        saved = JSON.parse(options.storage?.getItem(options.storageKey) ?? "[]") as PendingSave[];
      } catch {
        // Damaged leftovers cannot be used.
      }
      if (!Array.isArray(saved)) return [];
      for (const save of saved) items.set(keyOf(save), { ...save, revision: 0, isRefused: false, isStale: false });
      if (saved.length > 0) {
        tell();
        schedule(0);
      }
      return saved;
    },
    drop(kind, id) {
      items.delete(keyOf({ kind, id }));
      persist();
      tell();
    },
    flush,
    close() {
      cancelTimer?.();
    },
  };
}
