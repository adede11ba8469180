import type { InputLevels } from "./inputLevels";
import type { DeviceSetting } from "./settings";

/** Connectors by what goes into what; four-pole jacks go into three-pole sockets and the other way round. */
export const CONNECTORS = [
  "xlr3",
  "jack635",
  "jack35",
  "jack35four",
  "rca",
  "usbA",
  "usbC",
  "usbMicro",
  "phoneData",
  "lock35",
  "pin3",
  "pin4",
  "speaker",
  "network",
] as const;
export type Connector = (typeof CONNECTORS)[number];

export const CONNECTOR_NAMES: Record<Connector, string> = {
  xlr3: "XLR",
  jack635: "6.35 mm jack",
  jack35: "3.5 mm jack",
  jack35four: "3.5 mm TRRS",
  rca: "RCA",
  usbA: "USB A",
  usbC: "USB C",
  usbMicro: "micro USB",
  phoneData: "phone's data socket",
  lock35: "locking 3.5 mm jack",
  pin3: "3-pin pack plug",
  pin4: "4-pin pack plug",
  speaker: "speaker outlet",
  network: "network",
};

/** One end of a lead, or a socket or plug of a device. */
export interface End {
  connector: Connector;
  sex: "plug" | "socket";
}

/** What goes into what, though it may not be wired for it. */
export const familyOf = (connector: Connector): Connector =>
  // A locking jack goes into a plain socket, and is wired otherwise.
  connector === "jack35four" || connector === "lock35" ? "jack35" : connector;

/** Whether two ends go into each other. */
export function mate(one: End, other: End): boolean {
  return familyOf(one.connector) === familyOf(other.connector) && one.sex !== other.sex;
}

/**
 * What lies on the contacts: one signal balanced; on the tip alone; the same on tip and ring; two signals; a microphone on the
 * headset contact of either standard; digital; a lavalier as a pack of one of three wirings takes it; a loudspeaker's power; a desk's network; timecode as sound. `cancelled`: what was the same on both is taken as a difference, and is gone.
 * Source: XLR by IEC 60268-12; four-pole standards CTIA and OMTP.
 */
export const CARRIAGES = [
  "balanced",
  "tip",
  "dual",
  "stereo",
  "headsetCtia",
  "headsetOmtp",
  "digital",
  "cancelled",
  "pack35",
  "pack3",
  "pack4",
  "power",
  "network",
  "timecode",
] as const;
export type Carriage = (typeof CARRIAGES)[number];

/** What a microphone runs on. */
export const POWERS = ["none", "battery", "plugIn", "phantom"] as const;
export type Power = (typeof POWERS)[number];

export const SOURCE_KINDS = ["receiver", "lav", "mic", "desk", "speaker", "timecode"] as const;
export const INPUT_KINDS = ["recorder", "camera", "phone", "computer", "mixer"] as const;

/** A source: a microphone, a receiver, a desk. Levels are of its loudest, dBu. */
export interface Source {
  id: string;
  kind: (typeof SOURCE_KINDS)[number];
  name: string;
  end: End;
  carriage: Carriage;
  /** Loudest level, and by how much it can be turned down, dB. */
  loudestDbu: number;
  turnsDownDb: number;
  /** What is needed at its end: none for what feeds itself. */
  needs: Power;
  /** Phantom power can harm it, or drives it into noise. */
  isHarmedByPhantom: boolean;
}

/** What comes from it is electrical already: nobody speaks into it. */
export const isFeed = ({ kind }: Source): boolean => kind === "desk" || kind === "speaker" || kind === "timecode";

/** A switch of an input that a connection may depend on. */
export const SUPPLIES = ["never", "switched", "always"] as const;
export type Supply = (typeof SUPPLIES)[number];

/** An input: a recorder's, a phone's, a computer's. */
export interface Input {
  id: string;
  kind: (typeof INPUT_KINDS)[number];
  name: string;
  end: End;
  /** What it takes as it is meant. */
  takes: readonly Carriage[];
  /** Above this it clips whatever the gain; below `weakestDbu` for the loudest it is lost in noise. */
  clipsDbu: number;
  weakestDbu: number;
  phantom: Supply;
  plugIn: Supply;
  /** It falls back on a microphone of its own where it finds none. */
  hasOwnMic: boolean;
  /** What else has to be set for any source. */
  settings: readonly DeviceSetting[];
  /** The same for its levels: a plan of levels says it better. */
  levelSettings?: readonly DeviceSetting[];
  /** Its neighbour may be linked to it as a stereo pair. */
  canBeLinked: boolean;
  /** It can be switched to line; what it clips at then, dBu. */
  lineClipsDbu: number | null;
  /** How it counts levels: of a generic one, typical figures. */
  typical?: InputLevels;
  /** The same, where its owner has looked it up. */
  levels?: {
    fullScaleDbu: number;
    gainMaxDb: number;
    gainStepDb: number;
    einDbu: number;
    converterRangeDb: number;
  };
}

/** A lead, adapter, pad or box between a source and an input. */
export interface Part {
  id: string;
  name: string;
  from: End;
  to: End;
  /** What becomes of each carriage; what is not named does not pass. */
  turns: Partial<Record<Carriage, Carriage>>;
  lossDb: number;
  /** Lets the power of an input through to the source. */
  passesPlugIn: boolean;
  passesPhantom: boolean;
  /** Looks like a microphone to a headset socket. */
  isHeadsetLoad: boolean;
  /** What has to be set on it. */
  settings: readonly DeviceSetting[];
  /** Feeds phantom power itself, by a switch. */
  feedsPhantom: boolean;
  /** Makes plug-in power out of the phantom power behind it. */
  makesPlugIn: boolean;
  /** Above this it clips itself, dBu: what has a converter of its own. Null: it passes anything. */
  clipsDbu: number | null;
  /** Levels of its converter, where it has one. */
  converter?: InputLevels;
  isOwned: boolean;
}
