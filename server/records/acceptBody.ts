import { KIT_SCHEMAS, type Pack } from "../../core/devices";
import { contradictionsOf, type Outfit } from "../../core/dress";
import { placeFaults } from "../../core/room";
import {
  type FaultMessage,
  type FieldFault,
  inShapeNow,
  type KitItemBody,
  type LevelsBody,
  RECORD_SCHEMAS,
  type RecordBodies,
  type RecordKind,
} from "../../core/records";
import { airPlanFaults } from "../../core/wireless";
import { Fault } from "../faults";
import { accept } from "../validate";

function refuseAt(path: string, says: FaultMessage): never {
  throw new Fault("invalid", says, { fields: [{ path, says }] });
}

function refuseContradictions(outfit: Outfit): void {
  const [first, ...others] = contradictionsOf(outfit);
  if (first)
    throw new Fault("invalid", first.says, {
      fields: [first, ...others].map(({ path, says }) => ({ path: `outfit.${path}`, says })),
    });
}

/** Refuses with the first fault, all of them at their fields. */
function refuse(faults: readonly FieldFault[], pathOf: (path: string) => string): void {
  const [first] = faults;
  if (first)
    throw new Fault("invalid", first.says, {
      fields: faults.map(({ path, says }) => ({ path: pathOf(path), says })),
    });
}

function refuseKit({ kind, figures }: KitItemBody): void {
  accept(KIT_SCHEMAS[kind], figures);
  if (kind !== "pack") return;
  const { sensitivityMinDb, sensitivityMaxDb } = figures as Pack;
  // A pack whose lowest sensitivity lies above its highest has no step to stand at.
  if (sensitivityMinDb > sensitivityMaxDb)
    refuseAt("figures.sensitivityMinDb", { code: "record.packRange", highestDb: sensitivityMaxDb });
}

function refuseTargets({ lines }: LevelsBody): void {
  const at = lines.findIndex(({ targets }) => targets !== null && targets.targetDbfs > targets.ceilingDbfs);
  if (at >= 0)
    refuseAt(`lines.${at}.targets.targetDbfs`, {
      code: "record.targetAboveCeiling",
      ceilingDbfs: lines[at]!.targets!.ceilingDbfs,
    });
}

/** Entries of a list are rows by their names: two of one name cannot be told apart. */
function refuseTwins(names: readonly string[], path: string): void {
  const twin = names.findIndex((name, at) => names.indexOf(name) !== at);
  if (twin >= 0) refuseAt(`${path}.${twin}`, { code: "record.twins" });
}

type Rules = { [Kind in RecordKind]?: (body: RecordBodies[Kind]) => void };

/** What schemas cannot say. */
const RULES: Rules = {
  kitItem: refuseKit,
  levels(body) {
    refuseTargets(body);
    refuseTwins(
      body.lines.map(({ subject }) => subject),
      "lines",
    );
  },
  packing: ({ lines }) =>
    refuseTwins(
      lines.map(({ key }) => key),
      "lines",
    ),
  connection: ({ steps }) =>
    refuseTwins(
      steps.map(({ step }) => step),
      "steps",
    ),
  pickup({ setup }) {
    refuseTwins(
      setup.talkers.map(({ id }) => id),
      "setup.talkers",
    );
    refuseTwins(
      setup.mics.map(({ id }) => id),
      "setup.mics",
    );
  },
  place({ model }) {
    refuse(placeFaults(model), (path) => `model.${path}`);
    refuseTwins(
      model.sources.map(({ id }) => id),
      "model.sources",
    );
  },
  air(body) {
    refuse(airPlanFaults(body), (path) => path.slice(1).replaceAll("/", "."));
    refuseTwins(
      body.links.map(({ id }) => id),
      "links",
    );
  },
  wearer: ({ outfit }) => refuseContradictions(outfit),
  rig({ targetDbfs, ceilingDbfs, outfit }) {
    if (outfit) refuseContradictions(outfit);
    if (targetDbfs > ceilingDbfs) refuseAt("targetDbfs", { code: "record.targetAboveCeiling", ceilingDbfs });
  },
};

/** Takes a body from outside in, or refuses it with every field named. */
export function acceptBody<Kind extends RecordKind>(kind: Kind, value: unknown): RecordBodies[Kind] {
  const body = accept(RECORD_SCHEMAS[kind], inShapeNow(kind, value)) as RecordBodies[Kind];
  RULES[kind]?.(body);
  return body;
}
