import { FIRST_PROVISION } from "@/core/planning";
import { TEST_SHOOT } from "@/fixtures/testShoot";
import { newScene, type Outcome } from "@/core/records";
import {
  decided,
  nextDueMs,
  sendable,
  withAgain,
  withDeed,
  withOutcome,
  withSent,
  type Deed,
  type Pending,
} from "./pending";

const SHOOT = "51ac0000-0000-4000-8000-000000000001";
const SCENE = "51ac0000-0000-4000-8000-000000000002";
const OTHER = "51ac0000-0000-4000-8000-000000000003";
const LATER = 1e9;

let keys = 0;
beforeEach(() => (keys = 0));
const doing = (own: object = {}) => ({
  ...{ key: `key-${(keys += 1)}`, shootId: SHOOT, name: "x", madeBy: "page", nowMs: 1000, isTyped: true },
  ...own,
});
const all = (...deeds: Deed[]): readonly Pending[] =>
  deeds.reduce<readonly Pending[]>((pendings, deed) => withDeed(pendings, deed, doing()), []);
const create: Deed = { op: "create", kind: "shoot", id: SHOOT, body: TEST_SHOOT };
const title = (to: string, from = TEST_SHOOT.title): Deed => ({
  op: "patch",
  kind: "shoot",
  id: SHOOT,
  changes: [{ path: ["title"], from, to }],
});
const remove: Deed = { op: "delete", kind: "shoot", id: SHOOT };
const done = (id = SHOOT): Outcome => ({ outcome: "done", id, records: [] });
const opsOf = (pendings: readonly Pending[]) => pendings.map(({ command }) => command.op);

describe("what is typed one after the other is one command, as long as none of it can have left", () => {
  test("a new record takes in what is typed into it", () => {
    const [only, ...more] = all(create, title("A"), title("AB", "A"));
    expect(more).toEqual([]);
    expect(only!.command).toMatchObject({ op: "create", key: "key-1", body: { title: "AB" } });
  });

  test("a patch takes in the next, and is nothing when it leads back", () => {
    const [only, ...more] = all(title("A"), title("AB", "A"));
    expect(more).toEqual([]);
    expect(only!.command).toMatchObject({
      key: "key-1",
      changes: [{ path: ["title"], from: TEST_SHOOT.title, to: "AB" }],
    });
    expect(all(title("A"), title(TEST_SHOOT.title, "A"))).toEqual([]);
  });

  test("what was sent, and what another page made, is never changed", () => {
    const sent = withSent(all(create), new Set(["key-1"]));
    expect(opsOf(withDeed(sent, title("A"), doing()))).toEqual(["create", "patch"]);
    expect(opsOf(withDeed(all(create), title("A"), doing({ madeBy: "other page" })))).toEqual(["create", "patch"]);
  });

  test("what was refused takes in its correction, and is another command then", () => {
    const refused = withOutcome(withSent(all(title("A")), new Set(["key-1"])), "key-1", REFUSED, "new", 0);
    const [corrected, ...more] = withDeed(refused, title("B", "A"), doing());
    expect(more).toEqual([]);
    expect(corrected).toMatchObject({
      isSent: false,
      trouble: null,
      command: { key: "key-2", changes: [{ to: "B" }] },
    });
  });
});

const REFUSED: Outcome = { outcome: "refused", says: { code: "record.missing" }, fields: [], isMissing: false };

describe("deleting", () => {
  test("what never left is gone, with what names it; undo makes it again as it was", () => {
    const scene: Deed = { op: "create", kind: "scene", id: SCENE, body: newScene(SHOOT) };
    const before = all(create, title("A"), scene);
    const after = withDeed(before, remove, doing());
    expect(after).toEqual([]);
    const again = withAgain(after, before, ["a", "b"]);
    expect(again.map(({ command }) => [command.op, command.key])).toEqual([
      ["create", "a"],
      ["create", "b"],
    ]);
  });

  test("what may have left is deleted after it; what is typed on top is dropped", () => {
    const sent = withSent(all(create), new Set(["key-1"]));
    expect(opsOf(withDeed(withDeed(sent, title("A"), doing()), remove, doing()))).toEqual(["create", "delete"]);
  });

  test("a refused change and a delete leave the delete only, a refused new record nothing", () => {
    const sent = (deed: Deed) =>
      withOutcome(withSent(all(deed), new Set([`key-${keys}`])), `key-${keys}`, REFUSED, "n", 0);
    expect(opsOf(withDeed(sent(title("A")), remove, doing()))).toEqual(["delete"]);
    expect(withDeed(sent(create), remove, doing())).toEqual([]);
  });

  test("undone before it left, it is nothing", () => {
    expect(all(remove, { op: "restore", kind: "shoot", id: SHOOT })).toEqual([]);
  });

  test("what was deleted elsewhere needs no deleting here", () => {
    const gone = withOutcome(all(title("A")), "key-1", { outcome: "gone", records: [] }, "n", 0);
    expect(withDeed(gone, remove, doing())).toEqual([]);
  });
});

describe("what may go", () => {
  const scene = (id: string): Deed => ({ op: "create", kind: "scene", id, body: newScene(SHOOT) });
  const order = (pendings: readonly Pending[], nowMs = LATER) =>
    sendable(pendings, nowMs).map(({ command }) => command.id);

  test("parents before children, all at once", () => {
    expect(order(all(create, scene(SCENE), scene(OTHER)))).toEqual([SHOOT, SCENE, OTHER]);
  });

  test("while something is typed it waits, at the latest for two seconds; what is not typed goes at once", () => {
    expect(order(all(create), 1300)).toEqual([]);
    expect(order(all(create), 1400)).toEqual([SHOOT]);
    const typing = [withDeed(all(create), title("A"), doing({ nowMs: 2900 }))[0]!];
    expect(nextDueMs(typing, 2950)).toBe(3000);
    expect(order(withDeed([], create, doing({ isTyped: false })), 1000)).toEqual([SHOOT]);
  });

  test("one that is refused holds what names it, and nothing else", () => {
    const other: Deed = { op: "patch", kind: "scene", id: OTHER, changes: [{ path: ["title"], from: "a", to: "b" }] };
    const refused = withOutcome(all(create, scene(SCENE), other), "key-1", REFUSED, "n", 0);
    expect(order(refused)).toEqual([OTHER]);
    expect(order(withOutcome(refused, "key-3", done(OTHER), "n", 0))).toEqual([]);
  });

  test("one that fails here waits longer each time, and holds no other record", () => {
    const other: Deed = { op: "patch", kind: "scene", id: OTHER, changes: [{ path: ["title"], from: "a", to: "b" }] };
    const failed: Outcome = { outcome: "failed", says: { code: "record.waits" }, requestId: "" };
    let pendings = withOutcome(all(title("A"), other), "key-1", failed, "n", 5000);
    expect(order(pendings, 5000)).toEqual([OTHER]);
    expect(order(pendings, 6000)).toEqual([SHOOT, OTHER]);
    pendings = withOutcome(pendings, "key-1", failed, "n", 6000);
    expect(order(pendings, 7000)).toEqual([OTHER]);
    expect(order(pendings, 8000)).toEqual([SHOOT, OTHER]);
  });

  test("what was refused because something was missing goes again when anything was done", () => {
    const missing: Outcome = { outcome: "refused", says: { code: "record.dangling" }, fields: [], isMissing: true };
    const pendings = withOutcome(all(scene(SCENE), create), "key-1", missing, "n", 0);
    expect(order(pendings)).toEqual([SHOOT]);
    expect(order(withOutcome(pendings, "key-2", done(), "n", 0))).toEqual([SCENE]);
  });
});

describe("answers", () => {
  const conflict: Outcome = {
    outcome: "conflict",
    id: SHOOT,
    conflicts: [{ path: ["title"], from: "Old", to: "Mine", current: "Theirs" }],
    records: [],
  };
  const inConflict = () => {
    const pendings = all(title("Mine", "Old"));
    return withOutcome(pendings, pendings[0]!.command.key, conflict, "wish", 0);
  };

  test("fields that both changed wait for a decision; what is typed meanwhile is the new wish, other fields go", () => {
    const more = withDeed(
      inConflict(),
      {
        op: "patch",
        kind: "shoot",
        id: SHOOT,
        changes: [
          { path: ["title"], from: "Mine", to: "Mine too" },
          { path: ["days"], from: 1, to: 2 },
        ],
      },
      doing(),
    );
    expect(more[0]!.trouble).toMatchObject({ why: "conflict", conflicts: [{ to: "Mine too", current: "Theirs" }] });
    expect(sendable(more, LATER).map(({ command }) => command)).toMatchObject([{ changes: [{ path: ["days"] }] }]);
  });

  test("two changes of one field that both come back are one question, with the newest wish", () => {
    const sent = withSent(all(title("Mine", "Old")), new Set(["key-1"]));
    const both = withDeed(sent, title("Mine too", "Mine"), doing());
    const later: Outcome = {
      ...conflict,
      conflicts: [{ path: ["title"], from: "Mine", to: "Mine too", current: "Theirs" }],
    };
    const [only, ...more] = withOutcome(withOutcome(both, "key-1", conflict, "wish", 0), "key-2", later, "wish 2", 0);
    expect(more).toEqual([]);
    expect(only!.trouble).toMatchObject({ conflicts: [{ from: "Old", to: "Mine too", current: "Theirs" }] });
    expect(only!.command).toMatchObject({ key: "wish", changes: [{ from: "Old", to: "Mine too" }] });
  });

  test("keeping mine changes theirs to it; taking theirs drops mine", () => {
    const [kept] = decided(inConflict(), "wish", "keep", ["again", "x"]);
    expect(kept).toMatchObject({
      trouble: null,
      isSent: false,
      command: { op: "patch", key: "again", changes: [{ path: ["title"], from: "Theirs", to: "Mine" }] },
    });
    expect(decided(inConflict(), "wish", "drop", ["a", "b"])).toEqual([]);
  });

  test("what was deleted elsewhere comes back with the change, or the change goes", () => {
    const gone = withOutcome(all(title("A")), "key-1", { outcome: "gone", records: [] }, "n", 0);
    const back = sendable(decided(gone, "key-1", "keep", ["again", "restore"]), LATER);
    expect(back.map(({ command }) => command.op)).toEqual(["restore", "patch"]);
    expect(decided(gone, "key-1", "drop", ["a", "b"])).toEqual([]);
  });

  test("where there was one already, everything that names it names that one", () => {
    const provision: Deed = {
      op: "create",
      kind: "provision",
      id: SCENE,
      body: { ...FIRST_PROVISION, shootId: SHOOT },
    };
    const sent = withSent(all(provision), new Set(["key-1"]));
    const typed = withDeed(
      sent,
      { op: "patch", kind: "provision", id: SCENE, changes: [{ path: ["bankWh"], from: null, to: 50 }] },
      doing(),
    );
    const [only, ...more] = withOutcome(typed, "key-1", done(OTHER), "n", 0);
    expect(more).toEqual([]);
    expect(only!.command).toMatchObject({ op: "patch", id: OTHER });
  });

  test("an answer to something that is not waited for changes nothing", () => {
    const pendings = all(create);
    expect(withOutcome(pendings, "unknown", done(), "n", 0)).toBe(pendings);
  });
});
