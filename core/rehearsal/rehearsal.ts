import type { DeviceMessage } from "./deviceMessages";
import * as Type from "@sinclair/typebox";
import type { Static, TSchema } from "@sinclair/typebox";
import { operate, type Machine, type Setting } from "./machine";
import { Receiver, receiverOf, Scanner, SCANNER, synced, Transmitter, transmitterOf } from "./radio";
import { Computer, COMPUTER, Desk, HOUSE_DESK, MIXER, Phone, PHONE, Recorder, recorderOf } from "./recordingDevices";
import { computerGain, powerOf, type SignalPath } from "./signalPath";
import { clipText, oneOf } from "../schema";
import { FLAW_IDS } from "./flaws";

const maybe = <Schema extends TSchema>(schema: Schema) => Type.Union([schema, Type.Null()]);

/** The simulated devices of one link on the table, and what lies between them. A device that the link has not got is null. */
export const Rehearsal = Type.Object(
  {
    pack: maybe(Transmitter),
    receiver: maybe(Receiver),
    scanner: maybe(Scanner),
    houseDesk: maybe(Desk),
    recorder: maybe(Recorder),
    phone: maybe(Phone),
    computer: maybe(Computer),
    mixer: maybe(Desk),
    /** Leads and adapters in the hand, by id, in order from the source. */
    leads: Type.Array(Type.String({ minLength: 1, maxLength: 60 }), { maxItems: 8 }),
    isPlugged: Type.Boolean(),
    /** Somebody else's packs that are on, MHz. */
    strangersMHz: Type.Array(Type.Number({ minimum: 1, maximum: 7000 }), { maxItems: 20 }),
    /** The lead in use, or a plug of it, is broken. */
    isLeadBroken: Type.Boolean(),
    /** The microphone has slipped, away from the mouth. */
    isSlipped: Type.Boolean(),
    /** What is wrong around the devices. */
    flaws: Type.Optional(Type.Array(oneOf(FLAW_IDS, "Flaw"), { maxItems: FLAW_IDS.length, uniqueItems: true })),
    /** The ground was walked while listening. */
    isWalked: Type.Boolean(),
  },
  { additionalProperties: false },
);
export type Rehearsal = Static<typeof Rehearsal>;

export const DEVICE_IDS = [
  "pack",
  "receiver",
  "scanner",
  "houseDesk",
  "recorder",
  "phone",
  "computer",
  "mixer",
] as const;
export type DeviceId = (typeof DEVICE_IDS)[number];

/** Machines of a link's devices. */
export function machineOf(setup: SignalPath, id: DeviceId): Machine<object> {
  const machines = {
    pack: () => transmitterOf(setup.system!),
    receiver: () => receiverOf(setup.system!),
    scanner: () => SCANNER,
    houseDesk: () => HOUSE_DESK,
    recorder: () => recorderOf(setup.input),
    phone: () => PHONE,
    computer: () => COMPUTER,
    mixer: () => MIXER,
  };
  return machines[id]() as unknown as Machine<object>;
}

const TARGETS = {
  recorder: "recorder",
  camera: "recorder",
  phone: "phone",
  computer: "computer",
  mixer: "mixer",
} as const;
export type TargetId = (typeof TARGETS)[keyof typeof TARGETS];

/** The device that the link ends in. */
export const targetOf = ({ input }: SignalPath): TargetId => TARGETS[input.kind];

/** Devices of a link, source first. */
export function devicesOf(setup: SignalPath): DeviceId[] {
  const radio: DeviceId[] = setup.system?.band === "uhf" ? ["pack", "receiver", "scanner"] : ["pack", "receiver"];
  return [
    ...(setup.system ? radio : []),
    ...(setup.source.kind === "desk" ? (["houseDesk"] as const) : []),
    targetOf(setup),
  ];
}

const NOTHING: Rehearsal = {
  pack: null,
  receiver: null,
  scanner: null,
  houseDesk: null,
  recorder: null,
  phone: null,
  computer: null,
  mixer: null,
  leads: [],
  isPlugged: false,
  strangersMHz: [],
  isLeadBroken: false,
  isSlipped: false,
  isWalked: false,
};

/** What the last user may have left in devices that come out of a bag. */
const LEFTOVERS: Partial<Record<DeviceId, object>> = {
  pack: { wasReset: false, batteryPercent: 35, isMuted: true, name: "P3" },
  receiver: { wasReset: false, batteryPercent: 60, outputDb: -18, pairedName: "P7" },
  recorder: { isPhantomOn: true, isLinked: true, storageMb: 900 },
};

/** The devices as they come out of the bag, nothing plugged: not reset, set as somebody left them. */
export function fromTheBag(setup: SignalPath): Rehearsal {
  const devices = devicesOf(setup).map((id) => {
    const left = { ...LEFTOVERS[id] } as Record<string, unknown>;
    const { factory } = machineOf(setup, id);
    const known = Object.fromEntries(Object.entries(left).filter(([key]) => key in factory));
    if (id === "recorder" && setup.input.phantom !== "switched") delete known["isPhantomOn"];
    if (id === "recorder" && !setup.input.canBeLinked) delete known["isLinked"];
    return [id, { ...factory, ...known }];
  });
  return { ...NOTHING, ...(Object.fromEntries(devices) as Partial<Rehearsal>) };
}

/** Everything done and set as it should be, and rolling. */
export function allRight(setup: SignalPath): Rehearsal {
  const { right, input, name } = setup;
  const begin = fromTheBag(setup);
  const frequencyMHz = setup.frequencyMHz ?? 2440;
  const rolling = {
    isOn: true,
    batteryPercent: 100,
    storageMb: 32_000,
    transport: "recording",
    isAutoLevelOn: false,
  } as const;
  const usesPhantom = powerOf(setup) === "phantom" && !setup.way.some(({ feedsPhantom }) => feedsPhantom);
  const target = targetOf(setup);
  const { boostDb, systemDb, trimDb } = computerGain(right);
  return {
    ...begin,
    pack: begin.pack && {
      ...begin.pack,
      isOn: true,
      batteryPercent: 100,
      isMuted: false,
      frequencyMHz,
      name: clipText(name, 80),
      sensitivityDb: right.sensitivityDb,
      wasReset: true,
    },
    receiver: begin.receiver && {
      ...begin.receiver,
      batteryPercent: 100,
      frequencyMHz,
      pairedName: clipText(name, 80),
      outputDb: right.outputDb,
      wasReset: true,
    },
    scanner: begin.scanner && { secondsLeft: null, isDone: true, heardOwn: false },
    houseDesk: begin.houseDesk && { ...begin.houseDesk, isMuted: false, sendDb: 0 },
    recorder: begin.recorder && {
      ...begin.recorder,
      ...rolling,
      source: "external",
      isLinked: false,
      gainDb: right.gainDb,
      isPhantomOn: usesPhantom && input.phantom === "switched",
      isPlugInOn: powerOf(setup) === "plugIn" && input.plugIn === "switched",
      isLine: setup.isLine,
      sampleRateHz: setup.sampleRateHz,
      bits: setup.bits,
    },
    phone: begin.phone && { ...begin.phone, ...rolling, isFlightMode: true },
    computer: begin.computer && { ...begin.computer, ...rolling, source: "external", boostDb, systemDb, trimDb },
    mixer: begin.mixer && {
      ...begin.mixer,
      isMuted: false,
      gainDb: right.gainDb,
      isPhantomOn: target === "mixer" && usesPhantom,
    },
    leads: setup.way.map(({ id }) => id),
    isPlugged: true,
    isWalked: true,
  };
}

/** Moves one control of one device; pack and receiver meet at their windows. */
export function turnKnob(
  setup: SignalPath,
  rehearsal: Rehearsal,
  device: DeviceId,
  knobId: string,
  value: Setting,
): { rehearsal: Rehearsal; says: DeviceMessage | null } {
  const before = rehearsal[device];
  if (!before) throw new RangeError(`device ${device}: not in this link`);
  const { state, says } = operate(machineOf(setup, device), before, knobId, value);
  let next: Rehearsal = { ...rehearsal, [device]: state };
  if (device === "scanner" && knobId === "scan" && says === null)
    next = { ...next, scanner: { ...next.scanner!, heardOwn: next.pack?.isOn === true } };
  if (next.pack && next.receiver) next = { ...next, ...synced(next.pack, next.receiver) };
  return { rehearsal: next, says };
}

/** Some seconds later. */
export function later(setup: SignalPath, rehearsal: Rehearsal, seconds: number): Rehearsal {
  const passed = devicesOf(setup).map((id) => {
    const state = rehearsal[id];
    return [id, state && machineOf(setup, id).passes(state, seconds)];
  });
  return { ...rehearsal, ...(Object.fromEntries(passed) as Partial<Rehearsal>) };
}

/** Leads in the hand, as rows; ids that nobody knows are left out. */
export const leadsOf = ({ shelf }: SignalPath, { leads }: Rehearsal) =>
  leads.flatMap((id) => shelf.find((part) => part.id === id) ?? []);
