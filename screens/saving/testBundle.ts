import { emptyShoot } from "@/core/shoot/emptyShoot";
import type { RecordKind, ShootBundle, Stored } from "@/core/shoot/records";

/** What the made-up shoot's parts look like; given by tests, so that screens never load the demo. */
interface Parts {
  shoot: Stored<"shoot">["body"];
  places: Record<string, Stored<"place">["body"]>;
  scenes: Record<string, Stored<"scene">["body"]>;
  wearers: Record<string, Stored<"wearer">["body"]>;
  rigs: Record<string, Stored<"rig">["body"]>;
  pickups: Record<string, Stored<"pickup">["body"]>;
}

/** A shoot as a screen holds it, for tests. */
export function bundleOf(parts: Parts): ShootBundle {
  const stored = <Kind extends RecordKind>(records: Record<string, Stored<Kind>["body"]>): Stored<Kind>[] =>
    Object.entries(records).map(([id, body]) => ({ id, version: 1, changedAt: "2027-05-11T09:00:00Z", body }));
  return {
    ...emptyShoot({ id: "shoot-1", version: 1, changedAt: "2027-05-11T09:00:00Z", body: parts.shoot }),
    places: stored<"place">(parts.places),
    scenes: stored<"scene">(parts.scenes),
    wearers: stored<"wearer">(parts.wearers),
    rigs: stored<"rig">(parts.rigs),
    pickups: stored<"pickup">(parts.pickups),
  };
}
