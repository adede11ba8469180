import type { ShootBundle, Stored } from "../core/shoot/records";
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
  const [shoots, places, scenes, wearers, rigs, kit, measurements, pickups, airs, connections, packings, provisions] =
    await Promise.all([
      listRecords(acting, "shoot", shootId),
      listRecords(acting, "place", shootId),
      listRecords(acting, "scene", shootId),
      listRecords(acting, "wearer", shootId),
      listRecords(acting, "rig", shootId),
      listRecords(acting, "kitItem", null),
      listRecords(acting, "measurement", shootId),
      listRecords(acting, "pickup", shootId),
      listRecords(acting, "air", shootId),
      listRecords(acting, "connection", shootId),
      listRecords(acting, "packing", shootId),
      listRecords(acting, "provision", shootId),
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
  };
}
