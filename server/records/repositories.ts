import type { RecordKind } from "../../core/records";
import { levels, packings } from "./day";
import { airs, connections } from "./links";
import { pickups, places } from "./places";
import { kitItems, provisions, rigs, scenes, shoots, takeDetails } from "./plainRecords";
import type { Repository } from "./repository";
import { measurements } from "./takes";
import { deliveries } from "./deliveries";
import { matches } from "./matches";
import { marks, rolls, rollSetups } from "./rolls";
import { wearers } from "./wearers";

type Repositories = { [Kind in RecordKind]: Repository<Kind> };

export const REPOSITORIES: Repositories = {
  shoot: shoots,
  place: places,
  scene: scenes,
  wearer: wearers,
  rig: rigs,
  kitItem: kitItems,
  measurement: measurements,
  takeDetail: takeDetails,
  pickup: pickups,
  air: airs,
  connection: connections,
  packing: packings,
  provision: provisions,
  levels,
  roll: rolls,
  mark: marks,
  rollSetup: rollSetups,
  match: matches,
  delivery: deliveries,
};

export const KINDS = Object.keys(REPOSITORIES) as RecordKind[];

export const repositoryOf = <Kind extends RecordKind>(kind: Kind): Repository<Kind> => REPOSITORIES[kind];
