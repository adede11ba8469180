import type { ShootBundle, Stored } from "./records";

/** A shoot with nothing in it yet. */
export const emptyShoot = (shoot: Stored<"shoot">): ShootBundle => ({
  shoot,
  places: [],
  scenes: [],
  wearers: [],
  rigs: [],
  kit: [],
  measurements: [],
  pickups: [],
  airs: [],
  connections: [],
  packings: [],
  provisions: [],
  levels: [],
  rolls: [],
  marks: [],
  rollSetups: [],
  matches: [],
  deliveries: [],
});
