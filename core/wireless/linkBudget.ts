import type { RangeMessage } from "./messages";
import * as Type from "@sinclair/typebox";
import type { Static } from "@sinclair/typebox";
import { oneOf } from "../schema";
import { powerToDb } from "../sound";

/** Where a body stands between the antennas. */
export const BODIES = ["none", "one", "two"] as const;
export type Bodies = (typeof BODIES)[number];

const LIGHT_MPS = 299_792_458;

/** Wave length, m. Frequency above 0 MHz. */
export const waveLengthM = (frequencyMHz: number): number => LIGHT_MPS / (frequencyMHz * 1e6);

/** Length of a quarter-wave whip, and least distance of two antennas for diversity (half a wave), m. */
export const whipM = (frequencyMHz: number): number => waveLengthM(frequencyMHz) / 4;
export const diversityM = (frequencyMHz: number): number => waveLengthM(frequencyMHz) / 2;

/** Free-space loss between isotropic antennas, dB; distance above 0 m. Source: 32.44 + 20·lg(km) + 20·lg(MHz), ITU-R P.525. */
export function freeSpaceLossDb(distanceM: number, frequencyMHz: number): number {
  return 32.44 + 20 * Math.log10(distanceM / 1000) + 20 * Math.log10(frequencyMHz);
}

/** Loss through one body, dB: in the middle of 10…20 at UHF and 20…30 at 2.4 GHz. Estimate. */
export const bodyLossDb = (frequencyMHz: number): number => (frequencyMHz < 1500 ? 15 : 25);
/** A worn antenna does not reach what it reaches in the open, dB. Estimate. */
export const WORN_DB = 6;
/** Kept in hand for fading: without and with two antennas, dB. Common practice. */
export const FADE_DB = { single: 20, diversity: 10 } as const;

/** Where a pack and its receiver stand to each other. */
export const RangeWish = Type.Object(
  {
    distanceM: Type.Number({ title: "Pack to receiver", unit: "m", minimum: 0.1, maximum: 5000 }),
    bodies: oneOf(BODIES, "Between the antennas"),
    wallsDb: Type.Number({ title: "Walls and metal", unit: "dB", minimum: 0, maximum: 100 }),
  },
  { additionalProperties: false },
);
export type RangeWish = Static<typeof RangeWish>;

export interface LinkBudgetInput {
  frequencyMHz: number;
  powerMw: number;
  distanceM: number;
  bodies: Bodies;
  hasDiversity: boolean;
  /** What the receiver needs for clean sound, dBm. */
  needsDbm: number;
  /** What stands between besides bodies, dB. */
  wallsDb: number;
  /** Noise of the air at the receiver by the scan, dBm; null when unknown. What is wanted stands 20 dB above it. */
  airDbm: number | null;
}

export interface LinkBudget {
  receivedDbm: number;
  neededDbm: number;
  /** What is left after all losses and the fading in hand, dB. */
  marginDb: number;
  /** How far it reaches with nothing left, m. */
  reachM: number;
  grade: "good" | "usable" | "redo";
}

/** What is wanted above the noise of the air, dB. Common practice for analogue links. */
const OVER_AIR_DB = 20;
/** A margin that needs no thought, dB. Common practice. */
const EASY_DB = 6;

/** Power at the receiver against what it needs. Free space, bodies, walls and fading; distance ≥ 0.1 m. */
export function linkBudget(input: LinkBudgetInput): LinkBudget {
  const { frequencyMHz, powerMw, bodies, hasDiversity, needsDbm, wallsDb, airDbm } = input;
  const distanceM = Math.max(0.1, input.distanceM);
  const lossesDb = WORN_DB + wallsDb + { none: 0, one: 1, two: 2 }[bodies] * bodyLossDb(frequencyMHz);
  const receivedDbm = powerToDb(powerMw) - freeSpaceLossDb(distanceM, frequencyMHz) - lossesDb;
  const neededDbm = Math.max(needsDbm, airDbm === null ? -Infinity : airDbm + OVER_AIR_DB);
  const marginDb = receivedDbm - neededDbm - (hasDiversity ? FADE_DB.diversity : FADE_DB.single);
  return {
    receivedDbm,
    neededDbm,
    marginDb,
    reachM: distanceM * 10 ** (marginDb / 20),
    grade: marginDb >= EASY_DB ? "good" : marginDb >= 0 ? "usable" : "redo",
  };
}

/** What a margin means. */
export function budgetMessage({ marginDb, reachM, grade }: LinkBudget, bodies: Bodies): RangeMessage {
  if (grade === "good") return { code: "range.good", marginDb, reachM };
  if (grade === "usable") return { code: "range.usable", reachM };
  return { code: "range.short", missingDb: -marginDb, reachM, isWorn: bodies !== "none" };
}

/** Delay in frames of the picture. */
export const latencyFrames = (latencyMs: number, frameRate: number): number => (latencyMs * frameRate) / 1000;

/** What a delay means against the picture; null where it need not be said. Common practice: half a frame goes unseen. */
export function latencyMessage(latencyMs: number, frameRate: number): RangeMessage | null {
  const frames = latencyFrames(latencyMs, frameRate);
  if (frames < 0.25) return null;
  return { code: frames < 0.5 ? "latency.unseen" : "latency.seen", latencyMs, frames, frameRate };
}

/** A network at 2.4 GHz as a list of networks shows it. */
export interface Network {
  channel: number;
  levelDbm: number;
  /** Share of the time it sends, 0…1. */
  busy: number;
}

/** Centre of a network's channel, MHz; channels 1…14. Source: IEEE 802.11, 2.4 GHz. */
export function channelCentreMHz(channel: number): number {
  if (!Number.isInteger(channel) || channel < 1 || channel > 14) throw new RangeError("channel: 1 to 14");
  return channel === 14 ? 2484 : 2407 + 5 * channel;
}

/** A network of 20 MHz reaches so far to either side, MHz. */
const HALF_MHZ = 11;

export interface Congestion {
  /** Share of the time each 1 MHz of 2400…2483 is taken by somebody strong enough to matter, 0…1. */
  busyByMHz: Float64Array;
  /** Mean over the band. */
  busy: number;
  /** The quietest 20 MHz, where a kit finds room, MHz. */
  quietest: { fromMHz: number; busy: number };
  grade: "good" | "usable" | "redo";
}

/** Weaker networks do not disturb a kit nearby, dBm. Common practice. */
const MATTERS_DBM = -80;

/** How full 2.4 GHz is by a list of networks: independent senders, each at its own share of the time. */
export function congestionOf(networks: readonly Network[]): Congestion {
  const busyByMHz = Float64Array.from({ length: 84 }, (_, index) => {
    const at = 2400 + index;
    return (
      1 -
      networks
        .filter(
          ({ channel, levelDbm }) => levelDbm >= MATTERS_DBM && Math.abs(channelCentreMHz(channel) - at) <= HALF_MHZ,
        )
        .reduce((free, { busy }) => free * (1 - busy), 1)
    );
  });
  const mean = (from: number, to: number) =>
    busyByMHz.slice(from, to).reduce((sum, each) => sum + each, 0) / Math.max(1, to - from);
  const windows = Array.from({ length: 84 - 20 }, (_, index) => ({
    fromMHz: 2400 + index,
    busy: mean(index, index + 20),
  }));
  const quietest = windows.reduce((best, each) => (each.busy < best.busy - 1e-12 ? each : best));
  const busy = mean(0, 84);
  return { busyByMHz, busy, quietest, grade: quietest.busy < 0.15 ? "good" : quietest.busy < 0.4 ? "usable" : "redo" };
}
