import { ShootBody } from "./shoot";
import { PlaceBody } from "./place";
import { SceneBody } from "./scene";
import { WearerBody } from "./wearer";
import { RigBody } from "./rig";
import { KitItemBody } from "./kitItem";
import { PickupBody } from "./pickup";
import { AirBody } from "./air";
import { ConnectionBody } from "./connection";
import { PackingBody } from "./packing";
import { ProvisionBody } from "./provision";
import { LevelsBody } from "./levels";
import { MeasurementBody, TakeDetailBody } from "./measurement";
import { MarkBody, RollBody, RollSetupBody } from "./roll";
import { DeliveryBody } from "./delivery";
import { MatchBody } from "./match";

export { MeasurementBody, TakeDetailBody } from "./measurement";
export * from "./shoot";
export * from "./place";
export * from "./scene";
export * from "./wearer";
export * from "./rig";
export * from "./kitItem";
export * from "./pickup";
export * from "./air";
export * from "./connection";
export * from "./packing";
export * from "./provision";
export * from "./levels";
export * from "./roll";
export * from "./match";
export * from "./delivery";

/** Bodies of everything that is stored, by kind. */
export const RECORD_SCHEMAS = {
  shoot: ShootBody,
  place: PlaceBody,
  scene: SceneBody,
  wearer: WearerBody,
  rig: RigBody,
  kitItem: KitItemBody,
  measurement: MeasurementBody,
  takeDetail: TakeDetailBody,
  pickup: PickupBody,
  air: AirBody,
  connection: ConnectionBody,
  packing: PackingBody,
  provision: ProvisionBody,
  levels: LevelsBody,
  roll: RollBody,
  mark: MarkBody,
  rollSetup: RollSetupBody,
  match: MatchBody,
  delivery: DeliveryBody,
} as const;

export type RecordKind = keyof typeof RECORD_SCHEMAS;

export interface RecordBodies {
  shoot: ShootBody;
  place: PlaceBody;
  scene: SceneBody;
  wearer: WearerBody;
  rig: RigBody;
  kitItem: KitItemBody;
  measurement: MeasurementBody;
  takeDetail: TakeDetailBody;
  pickup: PickupBody;
  air: AirBody;
  connection: ConnectionBody;
  packing: PackingBody;
  provision: ProvisionBody;
  levels: LevelsBody;
  roll: RollBody;
  mark: MarkBody;
  rollSetup: RollSetupBody;
  match: MatchBody;
  delivery: DeliveryBody;
}

/** A stored record: its body, and the version that a change must name. */
export interface Stored<Kind extends RecordKind> {
  id: string;
  version: number;
  /** ISO time of the last change. */
  changedAt: string;
  body: RecordBodies[Kind];
}

/** Everything of one shoot that the screens compute from. */
export interface ShootBundle {
  shoot: Stored<"shoot">;
  places: Stored<"place">[];
  scenes: Stored<"scene">[];
  wearers: Stored<"wearer">[];
  rigs: Stored<"rig">[];
  kit: Stored<"kitItem">[];
  measurements: Stored<"measurement">[];
  pickups: Stored<"pickup">[];
  airs: Stored<"air">[];
  connections: Stored<"connection">[];
  packings: Stored<"packing">[];
  provisions: Stored<"provision">[];
  levels: Stored<"levels">[];
  rolls: Stored<"roll">[];
  marks: Stored<"mark">[];
  rollSetups: Stored<"rollSetup">[];
  matches: Stored<"match">[];
  deliveries: Stored<"delivery">[];
}
