import { newScene } from "@/core/shoot/newScene";
import { bundleOf } from "./testBundle";
import { SLACK_WATER } from "@/demo/slackWater";
import { shootStore } from "./shootStore";

interface Sent {
  method: string;
  path: string;
  body: { id?: string; version?: number; body?: { name?: string } };
}

const bundle = () => bundleOf({ ...SLACK_WATER, pickups: {} });

let sent: Sent[] = [];
let answer: (request: Sent) => { status: number; body: unknown };
const realFetch = globalThis.fetch;

beforeEach(() => {
  jest.useFakeTimers();
  sent = [];
  answer = ({ body }) => ({
    status: 200,
    body: { id: body.id ?? "x", version: (body.version ?? 0) + 1, changedAt: "2027-05-11T10:00:00Z", body: body.body },
  });
  globalThis.fetch = ((path: string, options: RequestInit) => {
    const request = { method: options.method!, path, body: JSON.parse(options.body as string) as Sent["body"] };
    sent.push(request);
    const { status, body } = answer(request);
    return Promise.resolve(Response.json(body, { status }));
  }) as typeof fetch;
});
afterEach(() => {
  jest.useRealTimers();
  globalThis.fetch = realFetch;
});

const settle = () => jest.advanceTimersByTimeAsync(1000);

test("a change is in the bundle at once and on the server after a pause", async () => {
  const store = shootStore(bundle());
  const [place] = store.snapshot().bundle.places;
  let heard = 0;
  store.subscribe(() => (heard += 1));
  store.change("place", place!.id, { ...place!.body, name: "Mill race" });
  expect(store.snapshot().bundle.places[0]!.body.name).toBe("Mill race");
  expect(heard).toBeGreaterThan(0);
  expect(sent).toEqual([]);
  await settle();
  expect(sent).toMatchObject([{ method: "PUT", path: `/api/records/place/${place!.id}`, body: { version: 1 } }]);
  expect(store.snapshot().bundle.places[0]!.version).toBe(2);
  expect(store.snapshot().saving.phase).toBe("saved");
});

test("a change to the same is none", async () => {
  const store = shootStore(bundle());
  const [place] = store.snapshot().bundle.places;
  store.change("place", place!.id, { ...place!.body });
  store.edit("place", place!.id, (body) => ({ ...body }));
  await settle();
  expect(sent).toEqual([]);
});

test("edits build on what is there now, and keep the untouched parts as they are", async () => {
  const store = shootStore(bundle());
  const [wearer] = store.snapshot().bundle.wearers;
  const { layers } = wearer!.body.outfit;
  store.edit("wearer", wearer!.id, (body) => ({ ...body, heightM: 1.9 }));
  store.edit("wearer", wearer!.id, (body) => ({ ...body, name: "Tall" }));
  expect(store.snapshot().bundle.wearers[0]!.body).toMatchObject({ heightM: 1.9, name: "Tall" });
  expect(store.snapshot().bundle.wearers[0]!.body.outfit.layers).toBe(layers);
  await settle();
  expect(sent).toHaveLength(1);
});

test("new records are sent in the order they were made, under their own ids", async () => {
  const store = shootStore(bundle());
  const scene = store.create("scene", newScene("shoot-1", { title: "New" }));
  const place = store.create("place", SLACK_WATER.places[Object.keys(SLACK_WATER.places)[0]!]!);
  await settle();
  expect(sent.map((each) => [each.method, each.path, each.body.id])).toEqual([
    ["POST", "/api/records/scene", scene],
    ["POST", "/api/records/place", place],
  ]);
});

test("a conflict shows both and is decided for mine or theirs", async () => {
  const store = shootStore(bundle());
  const [place] = store.snapshot().bundle.places;
  const theirs = {
    id: place!.id,
    version: 5,
    changedAt: "2027-05-11T11:00:00Z",
    body: { ...place!.body, name: "Theirs" },
  };
  answer = () => ({ status: 409, body: { code: "stale", message: "Stale", current: theirs } });
  store.change("place", place!.id, { ...place!.body, name: "Mine" });
  await settle();
  const [conflict] = store.snapshot().conflicts;
  expect(conflict).toMatchObject({ mine: { name: "Mine" }, theirs: { version: 5, body: { name: "Theirs" } } });

  answer = ({ body }) => ({ status: 200, body: { ...theirs, version: 6, body: body.body } });
  store.decide(conflict!, "mine");
  await settle();
  expect(sent.at(-1)).toMatchObject({ body: { version: 5, body: { name: "Mine" } } });
  expect(store.snapshot()).toMatchObject({ conflicts: [], saving: { phase: "saved" } });
});

test("taking theirs sends nothing more", async () => {
  const store = shootStore(bundle());
  const [place] = store.snapshot().bundle.places;
  const theirs = {
    id: place!.id,
    version: 5,
    changedAt: "2027-05-11T11:00:00Z",
    body: { ...place!.body, name: "Theirs" },
  };
  answer = () => ({ status: 409, body: { code: "stale", message: "Stale", current: theirs } });
  store.change("place", place!.id, { ...place!.body, name: "Mine" });
  await settle();
  store.decide(store.snapshot().conflicts[0]!, "theirs");
  await settle();
  expect(sent).toHaveLength(1);
  expect(store.snapshot().bundle.places[0]!.body.name).toBe("Theirs");
});

test("a conflict in which both say the same is none", async () => {
  const store = shootStore(bundle());
  const [place] = store.snapshot().bundle.places;
  const same = { ...place!.body, name: "Same" };
  answer = () => ({
    status: 409,
    body: { code: "stale", message: "Stale", current: { ...place!, version: 9, body: same } },
  });
  store.change("place", place!.id, same);
  await settle();
  expect(store.snapshot().conflicts).toEqual([]);
  expect(store.snapshot().bundle.places[0]!.version).toBe(9);
});

test("a server in trouble is waited for; a refusal is told", async () => {
  const store = shootStore(bundle());
  const [place] = store.snapshot().bundle.places;
  answer = () => ({ status: 503, body: { code: "unavailable", message: "The database is away." } });
  store.change("place", place!.id, { ...place!.body, name: "Later" });
  await settle();
  expect(store.snapshot().saving.phase).toBe("waiting");
  answer = () => ({ status: 422, body: { code: "invalid", message: "Name must not be empty." } });
  await jest.advanceTimersByTimeAsync(30_000);
  expect(store.snapshot().saving).toMatchObject({ phase: "refused", message: "Name must not be empty." });
});

test("deleting takes it out of the bundle, restoring brings it back; failing changes nothing", async () => {
  const store = shootStore(bundle());
  const [first] = store.snapshot().bundle.wearers;
  await store.remove("wearer", first!.id);
  expect(store.snapshot().bundle.wearers.some((each) => each.id === first!.id)).toBe(false);
  answer = () => ({ status: 200, body: { ...first!, version: 3 } });
  await store.restore("wearer", first!.id);
  expect(store.snapshot().bundle.wearers.some((each) => each.id === first!.id && each.version === 3)).toBe(true);
  answer = () => ({ status: 500, body: {} });
  await expect(store.remove("wearer", first!.id)).rejects.toThrow("nothing was changed");
  expect(store.snapshot().bundle.wearers.some((each) => each.id === first!.id)).toBe(true);
});
