import { judgePath } from "../connect";
import { isFeed, type Part } from "../devices";
import { FLAWS, type FlawId } from "./flaws";
import { allRight, targetOf, type Rehearsal } from "./rehearsal";
import { powerOf, throughParts, type SignalPath } from "./signalPath";

/** One thing that goes wrong on location: how often it is it, and what it does to a link that is right. */
export interface FaultKind {
  /** How often, relative to the others. Common practice, put into figures. */
  weight: number;
  /** Null where the link has no such thing. */
  inject: (setup: SignalPath, right: Rehearsal) => Rehearsal | null;
}

/** Somebody else's channel, this far off where nothing nearer is to be tuned, MHz. */
const OTHER_MHZ = 1.5;

function change<Id extends "pack" | "receiver" | "recorder" | "computer" | "phone" | "mixer" | "houseDesk">(
  id: Id,
  own: Partial<NonNullable<Rehearsal[Id]>>,
) {
  return (_: SignalPath, right: Rehearsal): Rehearsal | null =>
    right[id] && Object.entries(own).some(([key, value]) => (right[id] as Record<string, unknown>)[key] !== value)
      ? { ...right, [id]: { ...right[id], ...own } }
      : null;
}

/** Of the device that the link ends in, whichever it is; null where it has no such setting. */
function atTarget(own: Record<string, unknown>) {
  return (setup: SignalPath, right: Rehearsal): Rehearsal | null => {
    const id = targetOf(setup);
    const state = right[id] as Record<string, unknown>;
    const isKnown = Object.entries(own).every(([key, value]) => key in state && state[key] !== value);
    return isKnown ? { ...right, [id]: { ...state, ...own } } : null;
  };
}

/** Whether a chain passes at all but is wrong: the kind of mistake that nobody sees. */
function isWrong(setup: SignalPath, parts: readonly Part[]): boolean {
  const { source, input } = setup;
  const arrived = throughParts(source, source.loudestDbu, parts, input);
  return arrived !== null && judgePath(source, parts, arrived.carried, input).verdict === "silentlyWrong";
}

/** The first lead that fits the sockets in the place of a right one and does not work. */
export function wrongLeads(setup: SignalPath): readonly Part[] | null {
  const { way, shelf } = setup;
  for (let index = way.length - 1; index >= 0; index -= 1)
    for (const other of shelf) {
      const [was, parts] = [way[index]!, way.with(index, other)];
      const isAlike = other.from.connector === was.from.connector && other.to.connector === was.to.connector;
      if (isAlike && other.id !== was.id && isWrong(setup, parts)) return parts;
    }
  return null;
}

/** A desk has no mouth before it. */
const hasMouth = ({ source }: SignalPath): boolean => !isFeed(source);
const isTuned = ({ system }: SignalPath): boolean => system?.band === "uhf";

export const FAULTS = {
  flatPack: {
    weight: 9,
    inject: change("pack", { batteryPercent: 0 }),
  },
  flatReceiver: {
    weight: 4,
    inject: change("receiver", { batteryPercent: 0 }),
  },
  muted: {
    weight: 8,
    inject: change("pack", { isMuted: true }),
  },
  wrongBank: {
    weight: 7,
    inject: (setup, right) => {
      if (!isTuned(setup) || !right.receiver) return null;
      const banks = setup.system!.banks.flatMap(({ channelsMHz }) => channelsMHz);
      const at = right.receiver.frequencyMHz;
      const other = banks.find((channel) => Math.abs(channel - at) > 0.3) ?? at + OTHER_MHZ;
      return { ...right, receiver: { ...right.receiver, frequencyMHz: other } };
    },
  },
  twoOnOne: {
    weight: 5,
    inject: (setup, right) =>
      isTuned(setup) && right.receiver ? { ...right, strangersMHz: [right.receiver.frequencyMHz] } : null,
  },
  sensitivityLow: {
    weight: 5,
    inject: change("pack", { sensitivityDb: -30 }),
  },
  sensitivityHigh: {
    weight: 6,
    inject: change("pack", { sensitivityDb: 0 }),
  },
  outputDown: {
    weight: 4,
    inject: change("receiver", { outputDb: -36 }),
  },
  outputHigh: {
    weight: 4,
    inject: change("receiver", { outputDb: 0 }),
  },
  unplugged: {
    weight: 8,
    inject: (_, right) => ({ ...right, isPlugged: false }),
  },
  brokenLead: {
    weight: 6,
    inject: (setup, right) => (setup.way.length > 0 ? { ...right, isLeadBroken: true } : null),
  },
  slipped: {
    weight: 5,
    inject: (setup, right) => (hasMouth(setup) ? { ...right, isSlipped: true } : null),
  },
  wrongAdapter: {
    weight: 7,
    inject: (setup, right) => {
      const wrong = wrongLeads(setup);
      return wrong && { ...right, leads: wrong.map(({ id }) => id) };
    },
  },
  ownMic: {
    weight: 6,
    inject: atTarget({ source: "own" }),
  },
  phantomOn: {
    weight: 5,
    inject: (setup, right) =>
      setup.source.isHarmedByPhantom && powerOf(setup) !== "phantom"
        ? atTarget({ isPhantomOn: true })(setup, right)
        : null,
  },
  phantomOff: {
    weight: 6,
    inject: (setup, right) => (powerOf(setup) === "phantom" ? atTarget({ isPhantomOn: false })(setup, right) : null),
  },
  plugInOff: {
    weight: 5,
    inject: (setup, right) =>
      powerOf(setup) === "plugIn" ? change("recorder", { isPlugInOn: false })(setup, right) : null,
  },
  stillLinked: {
    weight: 6,
    inject: (setup, right) => (setup.input.canBeLinked ? change("recorder", { isLinked: true })(setup, right) : null),
  },
  gainLow: {
    weight: 5,
    inject: (setup, right) => {
      const state = right[targetOf(setup)]!;
      if (setup.right.gainDb < 18) return null;
      return "systemDb" in state ? atTarget({ systemDb: -30 })(setup, right) : atTarget({ gainDb: 0 })(setup, right);
    },
  },
  gainHigh: {
    weight: 6,
    inject: (setup, right) =>
      "boostDb" in right[targetOf(setup)]!
        ? atTarget({ boostDb: 30 })(setup, right)
        : atTarget({ gainDb: 56 })(setup, right),
  },
  padOn: {
    weight: 3,
    inject: change("recorder", { isPadOn: true }),
  },
  micForLine: {
    weight: 6,
    inject: (setup, right) => (setup.isLine ? change("recorder", { isLine: false })(setup, right) : null),
  },
  autoLevel: {
    weight: 5,
    inject: atTarget({ isAutoLevelOn: true }),
  },
  hold: {
    weight: 6,
    inject: change("recorder", { isHold: true }),
  },
  notRolling: {
    weight: 7,
    inject: atTarget({ transport: "armed" }),
  },
  full: {
    weight: 4,
    inject: atTarget({ storageMb: 0, transport: "stopped" }),
  },
  flatDevice: {
    weight: 3,
    inject: atTarget({ batteryPercent: 0, transport: "stopped" }),
  },
  interface: {
    weight: 3,
    inject: change("recorder", { isInterface: true, transport: "stopped" }),
  },
  deskMuted: {
    weight: 6,
    inject: change("houseDesk", { isMuted: true }),
  },
  sendDown: {
    weight: 5,
    inject: change("houseDesk", { sendDb: -40 }),
  },
  channelMuted: {
    weight: 5,
    inject: change("mixer", { isMuted: true }),
  },
} as const satisfies Record<string, FaultKind>;
export type DeviceFaultId = keyof typeof FAULTS;
export type FaultId = DeviceFaultId | FlawId;
/** Faults that the simulated devices show. */
export const FAULT_IDS = Object.keys(FAULTS) as DeviceFaultId[];

export const isFlaw = (id: FaultId): id is FlawId => id in FLAWS;
/** How often it is a fault, relative to the others. */
export const weightOf = (id: FaultId): number => (isFlaw(id) ? FLAWS[id].weight : FAULTS[id].weight);

/** A fault put into a link as it stands; null where the link has no such thing, or has it already. */
export function inject(setup: SignalPath, rehearsal: Rehearsal, id: FaultId): Rehearsal | null {
  if (!isFlaw(id)) return (FAULTS[id] as FaultKind).inject(setup, rehearsal);
  return FLAWS[id].where(setup) ? { ...rehearsal, flaws: [...(rehearsal.flaws ?? []), id] } : null;
}

/** A link that is right but for some faults; null where one does not apply. */
export function withFaults(setup: SignalPath, ids: readonly FaultId[]): Rehearsal | null {
  let rehearsal: Rehearsal | null = allRight(setup);
  for (const id of ids) rehearsal = rehearsal && inject(setup, rehearsal, id);
  return rehearsal;
}
