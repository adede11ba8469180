import { newScene } from "@/core/shoot/newScene";
import type { RecordKind, Stored } from "@/core/shoot/records";
import { saveQueue, type PendingSave, type SaveQueue, type SaveState, type SendResult } from "./saveQueue";

const save = (title: string, version: number | null = 1, id = "a"): PendingSave => ({
  kind: "scene",
  id,
  version,
  body: newScene("s", { title }),
});

const stored = (version: number, each: PendingSave): Stored<RecordKind> => ({
  id: each.id,
  version,
  changedAt: "2027-05-11T09:00:00Z",
  body: each.body,
});

function memory() {
  const map = new Map<string, string>();
  return {
    map,
    getItem: (key: string) => map.get(key) ?? null,
    setItem: (key: string, value: string) => void map.set(key, value),
    removeItem: (key: string) => void map.delete(key),
  };
}

/** A queue with a server that answers as told and a clock that is moved by hand. */
function bench(answer: (sent: PendingSave) => SendResult | Promise<SendResult>) {
  const sent: PendingSave[] = [];
  const states: SaveState[] = [];
  const saved: number[] = [];
  const stale: Stored<RecordKind>[] = [];
  const timers: { task: () => void; afterMs: number }[] = [];
  const storage = memory();
  const queue: SaveQueue = saveQueue({
    send: async (each) => {
      sent.push(structuredClone(each));
      return answer(each);
    },
    storage,
    storageKey: "k",
    onSaved: (_, record) => saved.push(record.version),
    onStale: (_, current) => stale.push(current),
    onState: (state) => states.push(state),
    later: (task, afterMs) => {
      const timer = { task, afterMs };
      timers.push(timer);
      return () => void timers.splice(timers.indexOf(timer), 1);
    },
  });
  return { queue, sent, states, saved, stale, timers, storage };
}

const accept = (each: PendingSave): SendResult => ({ outcome: "saved", stored: stored((each.version ?? 0) + 1, each) });

test("typing is saved once, with the last text", async () => {
  const { queue, sent, states, storage } = bench(accept);
  queue.put(save("A"));
  queue.put(save("AB"));
  queue.put(save("ABC"));
  expect(storage.map.size).toBe(1);
  await queue.flush();
  expect(sent.map((each) => (each.body as { title: string }).title)).toEqual(["ABC"]);
  expect(states.at(-1)).toMatchObject({ phase: "saved", pending: 0 });
  expect(storage.map.size).toBe(0);
});

test("what is typed while a save is under way is sent after it, on the new version", async () => {
  let release: (() => void) | null = null;
  const { queue, sent } = bench(
    (each) =>
      new Promise((resolve) => {
        if (release === null) release = () => resolve(accept(each));
        else resolve(accept(each));
      }),
  );
  queue.put(save("first", null));
  const flushing = queue.flush();
  await Promise.resolve();
  queue.put(save("second", null));
  release!();
  await flushing;
  expect(sent.map((each) => [(each.body as { title: string }).title, each.version])).toEqual([
    ["first", null],
    ["second", 1],
  ]);
});

test("while the server is away everything is kept and tried again, slower each time", async () => {
  let isAway = true;
  const { queue, sent, states, timers, storage } = bench((each) => (isAway ? { outcome: "away" } : accept(each)));
  queue.put(save("kept"));
  await queue.flush();
  expect(states.at(-1)).toMatchObject({ phase: "waiting", pending: 1 });
  expect(storage.map.get("k")).toContain("kept");
  await queue.flush();
  expect(timers.map((timer) => timer.afterMs)).toEqual([2000]);
  isAway = false;
  timers[0]!.task();
  await queue.flush();
  expect(sent).toHaveLength(3);
  expect(states.at(-1)!.phase).toBe("saved");
});

test("a closed page gets its unsaved changes back", () => {
  const first = bench(() => ({ outcome: "away" }));
  first.queue.put(save("unsaved"));
  const second = bench(accept);
  second.storage.map.set("k", first.storage.map.get("k")!);
  expect(second.queue.recover()).toEqual([save("unsaved")]);
  expect(second.states.at(-1)).toMatchObject({ phase: "saving", pending: 1 });
});

test("damaged leftovers are left alone", () => {
  const { queue, storage } = bench(accept);
  storage.map.set("k", "{broken");
  expect(queue.recover()).toEqual([]);
});

test("a stale change waits for a decision and does not block others", async () => {
  const theirs = stored(7, save("theirs"));
  const { queue, sent, stale, saved } = bench((each) =>
    each.id === "a" ? { outcome: "stale", current: theirs } : accept(each),
  );
  queue.put(save("mine"));
  queue.put(save("other", 3, "b"));
  await queue.flush();
  expect(stale).toEqual([theirs]);
  expect(saved).toEqual([4]);
  await queue.flush();
  expect(sent).toHaveLength(2);
  queue.drop("scene", "a");
  queue.put(save("mine", 7));
  await queue.flush();
  expect(sent.at(-1)).toMatchObject({ version: 7 });
});

test("a refused change says why and is sent again once it is changed", async () => {
  let isRefusing = true;
  const { queue, states, sent } = bench((each) =>
    isRefusing ? { outcome: "refused", message: "Too tall." } : accept(each),
  );
  queue.put(save("x"));
  await queue.flush();
  expect(states.at(-1)).toMatchObject({ phase: "refused", message: "Too tall." });
  await queue.flush();
  expect(sent).toHaveLength(1);
  isRefusing = false;
  queue.put(save("y"));
  await queue.flush();
  expect(states.at(-1)).toMatchObject({ phase: "saved", message: null });
});
