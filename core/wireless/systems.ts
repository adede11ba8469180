import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { oneOf } from "../schema/oneOf";
import { toUnits } from "./airRules";
import { rangeOf, whyForbidden, type Region } from "./region";
import { levelNear, type Scan, type Span } from "./scan";

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
    needsDbm: Type.Number({ title: "Receiver needs", unit: "dBm", minimum: -120, maximum: -40 }),
    latencyMs: Type.Number({ title: "Delay", unit: "ms", minimum: 0, maximum: 500 }),
    hasDiversity: Type.Boolean({ title: "Two antennas" }),
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
  return taken.some(({ fromMHz, toMHz }) => frequencyMHz >= fromMHz && frequencyMHz <= toMHz) ? "taken" : "free";
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

/** Why this bank: "7 of 8 channels free, next best has 5". */
export function bankWords(counts: readonly BankCount[]): string {
  const [best, next] = counts;
  if (!best) return "It has no banks.";
  if (best.free === 0) return "No channel of any bank is free: scan elsewhere, or use another system.";
  const of = `${best.free} of ${best.states.length} channels free`;
  if (!next) return `${of}.`;
  return next.free < best.free
    ? `${of}; the next best has ${next.free}.`
    : `${of}, as bank ${next.bank.name} has, and the quieter.`;
}

/**
 * Everything a system may be tuned to in a region, MHz, ascending; of systems with banks the free channels of one bank.
 * `taken` parts are left out.
 */
export function choicesOf(system: RadioSystem, region: Region, taken: readonly Span[], bank: Bank | null): number[] {
  const all =
    system.banks.length > 0
      ? (bank?.channelsMHz ?? [])
      : Array.from(
          { length: Math.max(0, Math.floor(((system.toMHz - system.fromMHz) * 1000) / system.stepKHz + 1e-6) + 1) },
          (_, index) => Math.round(1e4 * (system.fromMHz + (index * system.stepKHz) / 1000)) / 1e4,
        );
  const sorted = [...all].sort((one, other) => one - other);
  // Both lists ascend: one walk serves.
  let part = 0;
  return sorted.filter((frequencyMHz) => {
    while (part < taken.length && taken[part]!.toMHz < frequencyMHz) part += 1;
    const next = taken[part];
    if (next && frequencyMHz >= next.fromMHz) return false;
    const allowed = rangeOf(region, frequencyMHz);
    return allowed !== null && system.powerMw <= allowed.powerMw;
  });
}

/** Whether a system can be tuned to a frequency at all. */
export function canTune(system: RadioSystem, frequencyMHz: number): boolean {
  const units = toUnits(frequencyMHz);
  if (system.banks.length > 0)
    return system.banks.some(({ channelsMHz }) => channelsMHz.some((channel) => toUnits(channel) === units));
  const steps = ((frequencyMHz - system.fromMHz) * 1000) / system.stepKHz;
  return (
    frequencyMHz >= system.fromMHz - 1e-6 &&
    frequencyMHz <= system.toMHz + 1e-6 &&
    Math.abs(steps - Math.round(steps)) < 1e-3
  );
}

/** Bank and channel of a preset, "bank 2, channel 5"; null where a system has no banks. */
export function presetName({ banks }: RadioSystem, frequencyMHz: number): string | null {
  for (const { name, channelsMHz } of banks) {
    const index = channelsMHz.findIndex((channel) => toUnits(channel) === toUnits(frequencyMHz));
    if (index >= 0) return `bank ${name}, channel ${index + 1}`;
  }
  return null;
}
