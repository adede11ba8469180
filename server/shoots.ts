import type { RecordKind, ShootBundle, Stored } from "../core/shoot/records";
import type { ActingCrew } from "./crew";
import { Fault } from "./faults";
import { listRecords } from "./records";

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;

/** The crew's shoots, oldest first. */
export function listShoots(acting: ActingCrew): Promise<Stored<"shoot">[]> {
  return listRecords(acting, "shoot", null);
}

/** Everything of one shoot that the screens compute from. */
export async function loadShoot(acting: ActingCrew, shootId: string): Promise<ShootBundle> {
  if (!UUID.test(shootId)) throw new Fault("missing", "There is no such shoot.");
  const ofShoot = <Kind extends RecordKind>(kind: Kind) => listRecords(acting, kind, shootId);
  const [shoots, kit, places, scenes, wearers, rigs, measurements, pickups] = await Promise.all([
    ofShoot("shoot"),
    listRecords(acting, "kitItem", null),
    ofShoot("place"),
    ofShoot("scene"),
    ofShoot("wearer"),
    ofShoot("rig"),
    ofShoot("measurement"),
    ofShoot("pickup"),
  ]);
  const [airs, connections, packings, provisions, levels] = await Promise.all([
    ofShoot("air"),
    ofShoot("connection"),
    ofShoot("packing"),
    ofShoot("provision"),
    ofShoot("levels"),
  ]);
  const [shoot] = shoots;
  if (!shoot) throw new Fault("missing", "There is no such shoot.");
  const present = new Set(wearers.map((each) => each.id));
  return {
    shoot,
    places,
    scenes,
    wearers,
    rigs: rigs.filter((each) => present.has(each.body.wearerId)),
    kit: kit.filter(({ body }) => body.shootId === null || body.shootId === shoot.id),
    measurements,
    pickups,
    airs,
    connections,
    packings,
    provisions,
    levels,
  };
}
