import type { Change } from "@/core/records/commands";
import { LISTED_KINDS, LISTS } from "@/core/records/bundle";
import { emptyShoot } from "@/core/shoot/emptyShoot";
import type { RecordKind, ShootBundle, Stored } from "@/core/shoot/records";
import { nameOf } from "./overlay";
import type { Pending } from "./pending";
import { shootStore, type ShootStore } from "./shootStore";

/** What the made-up shoot's parts look like; given by tests, so that screens never load the demo. */
interface Parts {
  shoot: Stored<"shoot">["body"];
  places: Record<string, Stored<"place">["body"]>;
  scenes: Record<string, Stored<"scene">["body"]>;
  wearers: Record<string, Stored<"wearer">["body"]>;
  rigs: Record<string, Stored<"rig">["body"]>;
  pickups: Record<string, Stored<"pickup">["body"]>;
}

const MADE_AT = "2027-05-11T09:00:00.000Z";

/** A shoot as a screen holds it, for tests. */
export function bundleOf(parts: Parts): ShootBundle {
  const stored = <Kind extends RecordKind>(records: Record<string, Stored<Kind>["body"]>): Stored<Kind>[] =>
    Object.entries(records).map(([id, body]) => ({ id, version: 1, changedAt: MADE_AT, body }));
  const ids = Object.values({ ...parts.wearers, ...parts.scenes, ...parts.places });
  const id = ids[0]?.shootId ?? "51ac0000-0000-4000-8000-000000000001";
  return {
    ...emptyShoot({ id, version: 1, changedAt: MADE_AT, body: parts.shoot }),
    places: stored<"place">(parts.places),
    scenes: stored<"scene">(parts.scenes),
    wearers: stored<"wearer">(parts.wearers),
    rigs: stored<"rig">(parts.rigs),
    pickups: stored<"pickup">(parts.pickups),
  };
}

/** Records as the server would have them. */
export function recordsOf(bundle: ShootBundle): Map<string, Change> {
  const records = new Map<string, Change>();
  const add = (kind: RecordKind, { id, version, changedAt, body }: Stored<RecordKind>) =>
    records.set(nameOf(kind, id), {
      ...{ kind, id, version, changedAt, body, createdAt: changedAt },
      ...{ seq: records.size + 1, isDeleted: false, deletedWith: null },
    });
  add("shoot", bundle.shoot);
  for (const kind of LISTED_KINDS) for (const each of bundle[LISTS[kind]]) add(kind, each);
  return records;
}

/** A store whose server is away: everything stays with what is not saved yet. */
export function testStore(bundle: ShootBundle): ShootStore {
  let pendings: readonly Pending[] = [];
  const records = recordsOf(bundle);
  const listeners = new Set<() => void>();
  const store = shootStore({
    keeper: {
      pendings: () => pendings,
      records: () => records,
      kept: () => "device",
      change(update) {
        pendings = update(pendings);
        listeners.forEach((listener) => listener());
        return Promise.resolve();
      },
    },
    subscribe(listener) {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    shootId: bundle.shoot.id,
    isAway: () => false,
    page: () => "page",
    newKey: () => crypto.randomUUID(),
    now: () => Date.parse(MADE_AT) + pendings.length + 1,
    nudge: () => undefined,
    isTyping: () => true,
  });
  return { ...store, snapshot: () => store.snapshot()! };
}
