import { dbToPower, powerToDb } from "../sound";
import type { Carriage } from "../devices";
import { leadsOf, targetOf, type Rehearsal } from "./rehearsal";
import { inputNoiseDbu, LINK_NOISE_DB } from "./knobRanges";
import { throughParts, type SignalPath } from "./signalPath";

/** What is done in front of the microphone. */
export const STIMULI = ["silence", "line", "tapMic", "tapDevice"] as const;
export type Stimulus = (typeof STIMULI)[number];

/** What lamps, meters and headphones show. Levels are peaks, dBFS; null: nothing but noise. */
export interface Heard {
  packLamp: boolean;
  receiverLamp: boolean;
  /** The receiver's own audio meter. */
  receiverSound: "still" | "moves" | "over";
  /** Whose sound it is. */
  from: "mic" | "device" | "strangers" | "nothing";
  leftDbfs: number | null;
  rightDbfs: number | null;
  isClipped: boolean;
  /** Peaks over the noise that the electronics add, dB. */
  overNoiseDb: number;
  /** Left and right inverted: gone where they are summed. */
  isHollow: boolean;
  isBuzzing: boolean;
  isPumping: boolean;
  /** Time counts. */
  isRolling: boolean;
}

/** A tap against the loudest line; the device's own microphone, 40 cm off: the line, a tap on the other, a tap on itself. Estimates. */
const TAP_DB = 6;
const OWN_MIC_DBFS: Record<Stimulus, number | null> = { silence: null, line: -34, tapMic: -58, tapDevice: -8 };
/** What a microphone that has slipped loses, dB. Estimate. */
const SLIPPED_DB = 14;
/** Automatic level brings everything here, dBFS. Estimate. */
const AUTO_DBFS = -10;
const PAD_DB = 20;
/** Below this a meter does not move, dBFS. */
const LEAST_DBFS = -70;

const same = (one: number, other: number): boolean => Math.abs(one - other) < 0.001;

/** A tap is as loud wherever the microphone is. */
const slippedDb = ({ isSlipped }: Rehearsal, stimulus: Stimulus): number =>
  isSlipped && stimulus === "line" ? SLIPPED_DB : 0;

interface Sent {
  level: number | null;
  isOver: boolean;
  noiseDbu: number;
  from: Heard["from"];
}

const SILENT: Sent = { level: null, isOver: false, noiseDbu: -200, from: "nothing" };

/** What comes out of the receiver, dBu at peaks. */
function fromRadio(setup: SignalPath, rehearsal: Rehearsal, stimulus: Stimulus): Sent {
  const { pack, receiver, strangersMHz } = rehearsal;
  const { source, modulationDb } = setup;
  if (!receiver?.isOn || receiver.batteryPercent <= 0) return SILENT;
  const isSending =
    pack !== null && pack.isOn && pack.batteryPercent > 0 && same(pack.frequencyMHz, receiver.frequencyMHz);
  const full = source.loudestDbu + receiver.outputDb;
  if (strangersMHz.some((each) => same(each, receiver.frequencyMHz)))
    return { level: full - 6, isOver: false, noiseDbu: full - 20, from: "strangers" };
  const noiseDbu = full + LINK_NOISE_DB;
  if (!isSending) return { ...SILENT, noiseDbu: -200 };
  const loudness = { silence: null, line: 0, tapMic: TAP_DB, tapDevice: null }[stimulus];
  if (loudness === null || pack.isMuted) return { level: null, isOver: false, noiseDbu, from: "mic" };
  // A tap is set up for as a line is: its own overload is nobody's business.
  const modulation = modulationDb + pack.sensitivityDb - slippedDb(rehearsal, stimulus);
  return { level: full + Math.min(0, modulation + loudness), isOver: modulation > 0, noiseDbu, from: "mic" };
}

function fromSource(setup: SignalPath, rehearsal: Rehearsal, stimulus: Stimulus): Sent {
  const { source } = setup;
  if (setup.system) return fromRadio(setup, rehearsal, stimulus);
  const desk = rehearsal.houseDesk;
  if (stimulus === "silence" || stimulus === "tapDevice") return { ...SILENT, from: "mic" };
  if (desk && (!desk.isOn || desk.isMuted)) return SILENT;
  const tapDb = stimulus === "tapMic" ? TAP_DB : 0;
  const level = source.loudestDbu + tapDb + (desk?.sendDb ?? 0) - slippedDb(rehearsal, stimulus);
  return { level, isOver: false, noiseDbu: source.loudestDbu - 80, from: "mic" };
}

/** Gain, switches and state of the device that the link ends in. */
interface Ending {
  isOn: boolean;
  isOwnMic: boolean;
  isMuted: boolean;
  gainDb: number;
  padDb: number;
  isLine: boolean;
  feedsPhantom: boolean;
  feedsPlugIn: boolean;
  isAutoLevelOn: boolean;
  isRolling: boolean;
}

function endingOf(setup: SignalPath, rehearsal: Rehearsal): Ending {
  const { input } = setup;
  const target = targetOf(setup);
  const state = rehearsal[target]!;
  const recorder = rehearsal.recorder;
  const isOwnChosen = "source" in state && state.source === "own";
  const supplies = (supply: typeof input.phantom, isOn: boolean) =>
    supply === "always" || (supply === "switched" && isOn);
  return {
    isOn: state.isOn && (!("batteryPercent" in state) || state.batteryPercent > 0),
    isOwnMic: input.hasOwnMic && isOwnChosen,
    isMuted: "isMuted" in state && state.isMuted,
    gainDb: "boostDb" in state ? state.boostDb + state.systemDb + state.trimDb : "gainDb" in state ? state.gainDb : 0,
    padDb: recorder?.isPadOn ? PAD_DB : 0,
    isLine: recorder?.isLine ?? false,
    feedsPhantom: supplies(input.phantom, "isPhantomOn" in state && state.isPhantomOn),
    feedsPlugIn: supplies(input.plugIn, recorder?.isPlugInOn ?? false),
    isAutoLevelOn: "isAutoLevelOn" in state && state.isAutoLevelOn,
    isRolling: "transport" in state ? state.transport === "recording" : state.isOn,
  };
}

const isHeadset = (carriage: Carriage): boolean => carriage === "headsetCtia" || carriage === "headsetOmtp";

/** Which of the two channels carry what arrives; "ownMic" where the device falls back on its own. */
function landing(setup: SignalPath, carriage: Carriage): "both" | "left" | "inverted" | "gone" | "ownMic" {
  const { takes, hasOwnMic } = setup.input;
  if (carriage === "cancelled") return "gone";
  if (takes.includes(carriage)) return "both";
  if (takes.some(isHeadset)) return hasOwnMic ? "ownMic" : "gone";
  if (isHeadset(carriage) || carriage === "digital") return "gone";
  if (carriage === "balanced") return "inverted";
  return carriage === "tip" && !takes.includes("balanced") ? "left" : "gone";
}

const QUIET = { leftDbfs: null, rightDbfs: null, isClipped: false, overNoiseDb: 0, isHollow: false, isBuzzing: false };

/** What the device's own microphone hears. */
function ownMic(stimulus: Stimulus, ending: Ending) {
  const level = OWN_MIC_DBFS[stimulus];
  const shown = level !== null && ending.isAutoLevelOn && stimulus === "line" ? AUTO_DBFS : level;
  return { ...QUIET, leftDbfs: shown, rightDbfs: shown, overNoiseDb: level === null ? 0 : 50, from: "device" as const };
}

/** What becomes of what the source sent on its way to the file. */
function atFile(setup: SignalPath, rehearsal: Rehearsal, sent: Sent, ending: Ending, stimulus: Stimulus) {
  const { source, input } = setup;
  const nothing = { ...QUIET, from: "nothing" as const };
  if (!ending.isOn || ending.isMuted) return nothing;
  if (ending.isOwnMic) return ownMic(stimulus, ending);
  const fallback = () => (input.kind === "phone" ? ownMic(stimulus, ending) : nothing);
  const parts = leadsOf(setup, rehearsal);
  const begin = sent.level ?? sent.noiseDbu;
  const arrived =
    rehearsal.isPlugged && !rehearsal.isLeadBroken
      ? throughParts(source, begin, parts, input, setup.right.converterDb)
      : null;
  if (!arrived) return fallback();
  const { carried } = arrived;
  const lands = landing(setup, carried.carriage);
  if (lands === "ownMic") return fallback();
  const isFelt = carried.isHeadsetLoad || source.needs === "plugIn" || !isHeadset(carried.carriage);
  if (!isFelt) return fallback();
  // An adapter may make plug-in power out of phantom power.
  const power = carried.makesPlugIn ? "phantom" : source.needs;
  if (power === "plugIn" && !(carried.passesPlugIn && ending.feedsPlugIn)) return fallback();
  const hasPhantom = (carried.passesPhantom && ending.feedsPhantom) || carried.feedsPhantom;
  if (power === "phantom" && !hasPhantom && !(carried.makesPlugIn && ending.feedsPhantom)) return nothing;
  const isBuzzing = source.isHarmedByPhantom && carried.passesPhantom && ending.feedsPhantom;
  if (lands === "gone") return { ...nothing, isBuzzing };
  const isDigital = carried.carriage === "digital";
  const clipsDbu = (ending.isLine ? input.lineClipsDbu! : input.clipsDbu) + ending.padDb;
  const full = ending.isLine ? input.lineClipsDbu! : setup.isLine ? input.clipsDbu : setup.fullScaleDbu;
  const over = isDigital ? 0 : full + ending.padDb;
  const dbfs = arrived.level - over + ending.gainDb;
  const inputNoise = inputNoiseDbu(ending.isLine, clipsDbu);
  const lossDb = begin - arrived.level;
  const noise = isDigital
    ? powerToDb(dbToPower(sent.noiseDbu - lossDb) + dbToPower(-110)) + ending.gainDb
    : powerToDb(dbToPower(sent.noiseDbu - lossDb) + dbToPower(inputNoise + ending.padDb)) - over + ending.gainDb;
  if (sent.level === null) return { ...nothing, from: sent.from, isBuzzing };
  const shown = ending.isAutoLevelOn ? AUTO_DBFS : Math.min(0, dbfs);
  const level = shown < LEAST_DBFS ? null : shown;
  const isTap = stimulus === "tapMic";
  return {
    from: sent.from,
    leftDbfs: level,
    rightDbfs: lands === "left" ? null : level,
    isClipped:
      !isTap &&
      (sent.isOver ||
        arrived.isClipped ||
        (!isDigital && arrived.level > clipsDbu) ||
        (dbfs > 0 && !ending.isAutoLevelOn)),
    overNoiseDb: dbfs - noise,
    isHollow: lands === "inverted",
    isBuzzing,
  };
}

/**
 * What is seen and heard on the simulated devices.
 *
 * Levels follow from the pack's sensitivity, the receiver's output, loss in the leads, pad and gain; what lies on the contacts
 * and what feeds what decides whether anything comes at all, or the device's own microphone instead. Levels of taps and own
 * microphones are estimates; wiring as in `core/connect`.
 */
export function hear(setup: SignalPath, rehearsal: Rehearsal, stimulus: Stimulus): Heard {
  const { pack, receiver } = rehearsal;
  const sent = fromSource(setup, rehearsal, stimulus);
  const ending = endingOf(setup, rehearsal);
  const isPackOn = pack !== null && pack.isOn && pack.batteryPercent > 0;
  const isTuned = receiver !== null && receiver.isOn && receiver.batteryPercent > 0;
  const carriers = [...(isPackOn ? [pack.frequencyMHz] : []), ...rehearsal.strangersMHz];
  const file = atFile(setup, rehearsal, sent, ending, stimulus);
  return {
    packLamp: isPackOn,
    receiverLamp: isTuned && carriers.some((each) => same(each, receiver.frequencyMHz)),
    receiverSound: receiver === null || sent.level === null ? "still" : sent.isOver ? "over" : "moves",
    ...file,
    isPumping: ending.isAutoLevelOn && ending.isOn,
    isRolling: ending.isOn && ending.isRolling,
  };
}
