import type { PlacedSetting } from "../devices";
import type { Message } from "../message";
import type { DeviceCatalogue, GainCatalogue, GainMessage } from "./deviceMessages";
import type { FaultId } from "./faults";
import type { Heard } from "./heardOnPath";
import type { ProbeId } from "./probes";
import type { SignalPath } from "./signalPath";

/** A link's own figures and names, with which its faults and questions are said: MHz and dB. */
export interface LinkFacts {
  input: string;
  /** The input's device, without its socket. */
  device: string;
  source: string;
  cables: readonly string[];
  frequencyMHz: number | null;
  sensitivityDb: number;
  outputDb: number;
  gainDb: number;
}

/** Where a receiver is tuned to; null: the kit finds its frequency itself. */
interface Tuning {
  frequencyMHz: number | null;
  preset: string | null;
}

type FaultCatalogue = { [Id in FaultId as `fault.${Id}`]: LinkFacts } & {
  "fault.wrongAdapter": LinkFacts & { wrongCable: string | null };
};
type CureCatalogue = { [Id in FaultId as `cure.${Id}`]: LinkFacts };
type ProbeCatalogue = { [Id in ProbeId as `probe.${Id}`]: LinkFacts };

/** What is done at the steps of pairing. */
type WalkCatalogue = {
  "walk.freshBatteries": object;
  "walk.factoryReset": object;
  "walk.transmittersOff": object;
  "walk.scan": object;
  "walk.tune": Tuning;
  "walk.receiverToSync": object;
  "walk.holdToWindow": object;
  "walk.switchOnBeside": object;
  "walk.lampNameMute": object;
  "walk.walkTheGround": object;
  "walk.plug": { cables: readonly string[]; input: string };
  "walk.set": { placed: PlacedSetting };
  "walk.unlink": object;
  "walk.format": { sampleRateHz: number; bits: number };
  "walk.armRecorder": object;
  "walk.chooseSocket": object;
  "walk.armPhone": object;
  "walk.tap": { device: string };
  "walk.askDesk": object;
  "walk.loudestLine": object;
  "walk.radioLevels": { sensitivityDb: number; outputDb: number };
  "walk.peaks": { gain: GainMessage };
};

/** What is still missing at a step on the simulated devices. */
type MissingCatalogue = {
  "missing.freshBatteries": object;
  "missing.reset": object;
  "missing.scanning": object;
  "missing.scan": object;
  "missing.heardOwn": object;
  "missing.tuning": Tuning;
  "missing.packOff": object;
  "missing.paired": object;
  "missing.lamp": object;
  "missing.muted": object;
  "missing.strangers": object;
  "missing.walk": object;
  "missing.cable": object;
  "missing.plug": object;
  "missing.phantomOff": object;
  "missing.phantom": object;
  "missing.plugIn": object;
  "missing.line": object;
  "missing.unlink": object;
  "missing.socket": object;
  "missing.autoLevel": object;
  "missing.format": object;
  "missing.hold": object;
  "missing.arm": object;
  "missing.taps": object;
  "missing.deviceLouder": object;
  "missing.signal": object;
  "missing.clips": object;
  "missing.tooLoud": object;
  "missing.tooQuiet": object;
  "missing.record": object;
};

type HeardCatalogue = {
  "heard.buzz": object;
  "heard.nothing": object;
  "heard.sound": Pick<Heard, "from" | "isClipped" | "isHollow">;
};

/** Everything that is said while a link is paired, rehearsed and troubleshot. */
export type RehearsalCatalogue = FaultCatalogue &
  CureCatalogue &
  ProbeCatalogue &
  WalkCatalogue &
  MissingCatalogue &
  HeardCatalogue &
  DeviceCatalogue &
  GainCatalogue;
export type FaultMessage = Message<FaultCatalogue>;
export type CureMessage = Message<CureCatalogue>;
export type ProbeMessage = Message<ProbeCatalogue>;
export type WalkMessage = Message<WalkCatalogue>;
export type MissingMessage = Message<MissingCatalogue>;
export type HeardMessage = Message<HeardCatalogue>;

/** A link's figures and names for its sentences. */
export const factsOf = ({ input, source, way, frequencyMHz, right }: SignalPath): LinkFacts => ({
  input: input.name,
  device: input.name.split(",")[0]!,
  source: source.name,
  cables: way.map(({ name }) => name),
  frequencyMHz,
  sensitivityDb: right.sensitivityDb,
  outputDb: right.outputDb,
  gainDb: right.gainDb,
});

/** The question of a probe. */
export const questionOf = (setup: SignalPath, id: ProbeId): ProbeMessage =>
  ({ code: `probe.${id}`, ...factsOf(setup) }) as ProbeMessage;
