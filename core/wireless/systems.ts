import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { oneOf } from "../schema";
import { toMHz, toUnits } from "./airRules";
import type { AirMessage, ForbiddenMessage } from "./messages";
import { rangeOf, whyForbidden, type Region } from "./region";
import { isTaken, levelNear, type Scan, type Span } from "./scan";

const strict = { additionalProperties: false } as const;
const MHz = (title: string) => Type.Number({ title, unit: "MHz", minimum: 1, maximum: 7000 });

/** A bank (group) of preset channels that are meant to be used together. */
export const Bank = Type.Object(
  {
    name: Type.String({ title: "Bank", minLength: 1, maxLength: 20 }),
    channelsMHz: Type.Array(MHz("Channel"), { title: "Channels", minItems: 1, maxItems: 64 }),
  },
  strict,
);
export type Bank = Static<typeof Bank>;

export const BANDS = ["uhf", "ism24"] as const;

/** A make of transmitters and receivers that belong together. */
export const RadioSystem = Type.Object(
  {
    id: Type.String({ minLength: 1, maxLength: 40 }),
    name: Type.String({ title: "System", minLength: 1, maxLength: 80 }),
    /** Tuned by hand, or finding its own way among the networks at 2.4 GHz. */
    band: oneOf(BANDS, "Band"),
    fromMHz: MHz("From"),
    toMHz: MHz("To"),
    stepKHz: Type.Number({ title: "Steps", unit: "kHz", minimum: 1, maximum: 10_000 }),
    powerMw: Type.Number({ title: "Power", unit: "mW", minimum: 0.1, maximum: 5000 }),
    /** What a receiver needs for clean sound. */
    needsDbm: Type.Number({ title: "Receiver sensitivity", unit: "dBm", minimum: -120, maximum: -40 }),
    latencyMs: Type.Number({ title: "Delay", unit: "ms", minimum: 0, maximum: 500 }),
    hasDiversity: Type.Boolean({ title: "Antenna diversity" }),
    /** Hours of a set of batteries in the pack. */
    batteryH: Type.Number({ title: "Battery", unit: "h", minimum: 0.5, maximum: 48 }),
    /** Empty: every step of its range may be tuned. */
    banks: Type.Array(Bank, { title: "Banks", maxItems: 40 }),
  },
  strict,
);
export type RadioSystem = Static<typeof RadioSystem>;

/** Presets of a bank: spread unevenly so that third order stays off its channels. Invented. */
function presets(name: string, fromMHz: number, gapsKHz: readonly number[]): Bank {
  let at = Math.round(fromMHz * 1000);
  const channels = [at, ...gapsKHz.map((gap) => (at += gap))];
  return { name, channelsMHz: channels.map((kHz) => kHz / 1000) };
}

/** Gaps of an optimal ruler of eight marks (34 slots), in slots of 400 kHz. */
const RULER_GAPS = [1, 3, 5, 6, 7, 10, 2].map((slots) => 400 * slots);

/** Generic systems. Figures are typical; the owner's data sheets replace them. Common practice. */
export const GENERIC_SYSTEMS: readonly RadioSystem[] = [
  {
    id: "uhf-tuned",
    name: "analogue UHF, tuned in steps",
    band: "uhf",
    fromMHz: 518,
    toMHz: 554,
    stepKHz: 25,
    powerMw: 30,
    needsDbm: -90,
    latencyMs: 0,
    hasDiversity: true,
    batteryH: 7,
    banks: [],
  },
  {
    id: "uhf-digital",
    name: "digital UHF, tuned in steps",
    band: "uhf",
    fromMHz: 550,
    toMHz: 614,
    stepKHz: 25,
    powerMw: 25,
    needsDbm: -92,
    latencyMs: 3,
    hasDiversity: true,
    batteryH: 6,
    banks: [],
  },
  {
    id: "uhf-banks",
    name: "analogue UHF, banks of presets",
    band: "uhf",
    fromMHz: 566,
    toMHz: 590,
    stepKHz: 25,
    powerMw: 30,
    needsDbm: -88,
    latencyMs: 0,
    hasDiversity: false,
    batteryH: 5,
    banks: [566.4, 570.125, 573.85, 575.2].map((fromMHz, index) => presets(String(index + 1), fromMHz, RULER_GAPS)),
  },
  {
    id: "kit-24",
    name: "2.4 GHz clip-on kit",
    band: "ism24",
    fromMHz: 2400,
    toMHz: 2483.5,
    stepKHz: 1000,
    powerMw: 10,
    needsDbm: -82,
    latencyMs: 19,
    hasDiversity: false,
    batteryH: 5,
    banks: [],
  },
];

/** What speaks against one channel, or that it is free. */
export type ChannelState = "free" | "taken" | "forbidden";

export function channelState(
  frequencyMHz: number,
  system: RadioSystem,
  region: Region,
  taken: readonly Span[],
): ChannelState {
  if (whyForbidden(region, frequencyMHz, system.powerMw) !== null) return "forbidden";
  return isTaken(taken, frequencyMHz) ? "taken" : "free";
}

export interface BankCount {
  bank: Bank;
  states: readonly ChannelState[];
  free: number;
  /** Strongest level near its free channels, dBm; null where nothing was scanned. */
  loudestDbm: number | null;
}

/** Near a channel: what a receiver's filter lets through, kHz. Common practice. */
const CHANNEL_KHZ = 100;

/** Banks with most free channels first; of those alike the quietest. */
export function countBanks(
  system: RadioSystem,
  region: Region,
  taken: readonly Span[],
  scan: Scan | null,
): BankCount[] {
  return system.banks
    .map((bank): BankCount => {
      const states = bank.channelsMHz.map((channel) => channelState(channel, system, region, taken));
      const levels = bank.channelsMHz
        .filter((_, index) => states[index] === "free")
        .map((channel) => (scan ? levelNear(scan, channel, CHANNEL_KHZ) : null))
        .filter((level) => level !== null);
      return {
        bank,
        states,
        free: states.filter((state) => state === "free").length,
        loudestDbm: levels.length > 0 ? Math.max(...levels) : null,
      };
    })
    .sort((one, other) => other.free - one.free || (one.loudestDbm ?? -Infinity) - (other.loudestDbm ?? -Infinity));
}

/** How the bank in use compares with the next. Counts with most free channels first. */
export function bankMessage(counts: readonly BankCount[], bankInUse: string): AirMessage {
  if (counts.every(({ free }) => free === 0)) return { code: "banks.none" };
  const used = counts.find(({ bank }) => bank.name === bankInUse) ?? counts[0]!;
  const other = counts.find((each) => each !== used);
  return {
    code: "banks.free",
    bank: used.bank.name,
    free: used.free,
    of: used.states.length,
    other: other ? { bank: other.bank.name, free: other.free } : null,
  };
}

/** Most steps of a system's tuning range: 500 MHz in steps of 5 kHz. */
export const MOST_CHANNELS = 100_000;

/** How many steps a system's tuning range has. */
export const stepCount = ({ fromMHz, toMHz, stepKHz }: RadioSystem): number =>
  Math.max(0, Math.floor(((toMHz - fromMHz) * 1000) / stepKHz + 1e-6) + 1);

/** All that a system can be tuned to, MHz, ascending, each once; of systems with banks the channels of one bank. */
function channelsOf(system: RadioSystem, bank: Bank | null): number[] {
  if (system.banks.length > 0) return [...new Set(bank?.channelsMHz)].sort((one, other) => one - other);
  return Array.from({ length: Math.min(MOST_CHANNELS, stepCount(system)) }, (_, index) =>
    toMHz(toUnits(system.fromMHz + (index * system.stepKHz) / 1000)),
  );
}

/**
 * Everything a system may be tuned to in a region, MHz, ascending; of systems with banks the free channels of one bank.
 * `taken` parts are left out.
 */
export function choicesOf(system: RadioSystem, region: Region, taken: readonly Span[], bank: Bank | null): number[] {
  // Both lists ascend: one walk serves.
  let part = 0;
  return channelsOf(system, bank).filter((frequencyMHz) => {
    while (part < taken.length && toUnits(taken[part]!.toMHz) <= toUnits(frequencyMHz)) part += 1;
    const next = taken[part];
    if (next && isTaken([next], frequencyMHz)) return false;
    const allowed = rangeOf(region, frequencyMHz);
    return allowed !== null && system.powerMw <= allowed.powerMw;
  });
}

/** Why a system has no channel at all in a region and a scan; null where it has one. */
export function whyNoChannel(system: RadioSystem, region: Region, taken: readonly Span[]): ForbiddenMessage | null {
  const banks = system.banks.length > 0 ? system.banks : [null];
  const has = (changed: RadioSystem, parts: readonly Span[]) =>
    banks.some((bank) => choicesOf(changed, region, parts, bank).length > 0);
  if (has(system, taken)) return null;
  if (has(system, [])) return { code: "forbidden.allTaken", system: system.name };
  const weakest = { ...system, powerMw: 0 };
  if (!has(weakest, [])) return { code: "forbidden.noneAllowed", system: system.name, region: region.name };
  const allowedMw = Math.max(
    ...banks.flatMap((bank) =>
      choicesOf(weakest, region, [], bank).map((frequencyMHz) => rangeOf(region, frequencyMHz)!.powerMw),
    ),
  );
  return { code: "forbidden.systemPower", system: system.name, powerMw: system.powerMw, allowedMw };
}

/** Whether a system can be tuned to a frequency at all. */
export function canTune(system: RadioSystem, frequencyMHz: number): boolean {
  if (system.banks.length > 0) return system.banks.some((bank) => isInBank(bank, frequencyMHz));
  const steps = ((frequencyMHz - system.fromMHz) * 1000) / system.stepKHz;
  return (
    frequencyMHz >= system.fromMHz - 1e-6 &&
    frequencyMHz <= system.toMHz + 1e-6 &&
    Math.abs(steps - Math.round(steps)) < 1e-3
  );
}

/** Whether a frequency is one of a bank's channels. */
export const isInBank = ({ channelsMHz }: Bank, frequencyMHz: number): boolean =>
  channelsMHz.some((channel) => toUnits(channel) === toUnits(frequencyMHz));

/** Bank and channel of a preset, "bank 2, channel 5"; null where a system has no banks. */
export function presetName({ banks }: RadioSystem, frequencyMHz: number): string | null {
  for (const { name, channelsMHz } of banks) {
    const index = channelsMHz.findIndex((channel) => toUnits(channel) === toUnits(frequencyMHz));
    if (index >= 0) return `bank ${name}, channel ${index + 1}`;
  }
  return null;
}
