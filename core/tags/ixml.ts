import { XMLBuilder, XMLParser } from "fast-xml-parser";
import { cleanText } from "../schema";

/** A track as iXML names it; channels from 1. */
export interface TrackName {
  channel: number;
  name: string;
}

/** What of a take stands in iXML. Source: the open iXML specification, 1.61, from memory. */
export interface IxmlFacts {
  project: string;
  scene: string;
  take: string;
  tape: string;
  note: string;
  isCircled: boolean;
  isNoGood: boolean;
  isFalseStart: boolean;
  isWild: boolean;
  tracks: readonly TrackName[];
  /** Frames a second as a ratio, "25/1" (empty where nothing says it), and whether numbers are dropped. */
  frameRate: string;
  isDrop: boolean;
}

const flag = (value: boolean): string => (value ? "TRUE" : "FALSE");
type Fields = Record<string, unknown>;

const parser = new XMLParser({
  ignoreAttributes: true,
  parseTagValue: false,
  trimValues: true,
  isArray: (name) => name === "TRACK" || name === "SYNC_POINT",
});
const builder = new XMLBuilder({ format: true, suppressEmptyNode: false, ignoreAttributes: true });

const fieldsOf = (value: unknown): Fields =>
  typeof value === "object" && value !== null && !Array.isArray(value) ? (value as Fields) : {};
const textOf = (value: unknown): string => (typeof value === "string" ? cleanText(value) : "");

/** A ratio of whole numbers for a nominal rate: "24000/1001" for 23.976. */
export function rateRatio(frameRate: number): string {
  return Number.isInteger(frameRate) ? `${frameRate}/1` : `${Math.round(frameRate) * 1000}/1001`;
}

/** The elements of an iXML text; null where it is none, or brings entities of its own. */
export function readIxml(text: string): Fields | null {
  if (/<!(DOCTYPE|ENTITY)/i.test(text)) return null;
  try {
    const root = fieldsOf(parser.parse(text))["BWFXML"];
    return root === undefined ? null : fieldsOf(root);
  } catch {
    return null;
  }
}

/** What of a take the elements say. */
export function ixmlFacts(fields: Fields): IxmlFacts {
  const speed = fieldsOf(fields["SPEED"]);
  const tracks = fieldsOf(fields["TRACK_LIST"])["TRACK"];
  const says = (name: string) => /^true$/i.test(textOf(fields[name]));
  return {
    project: textOf(fields["PROJECT"]),
    scene: textOf(fields["SCENE"]),
    take: textOf(fields["TAKE"]),
    tape: textOf(fields["TAPE"]),
    note: textOf(fields["NOTE"]),
    isCircled: says("CIRCLED"),
    isNoGood: says("NO_GOOD"),
    isFalseStart: says("FALSE_START"),
    isWild: says("WILD_TRACK"),
    tracks: (Array.isArray(tracks) ? tracks : []).map((track: unknown, at) => {
      const own = fieldsOf(track);
      return { channel: Number(textOf(own["CHANNEL_INDEX"])) || at + 1, name: textOf(own["NAME"]) };
    }),
    frameRate: textOf(speed["TIMECODE_RATE"]),
    isDrop: textOf(speed["TIMECODE_FLAG"]) === "DF",
  };
}

/** Names of a file's channels by where each is interleaved; a list need be neither whole nor in order. */
export function channelNames(fields: Fields | null, channels: number): TrackName[] {
  const list = fieldsOf(fields?.["TRACK_LIST"])["TRACK"];
  const byPlace = new Map(
    (Array.isArray(list) ? list : []).map((track: unknown, at) => {
      const own = fieldsOf(track);
      const place = Number(textOf(own["INTERLEAVE_INDEX"])) || at + 1;
      return [place, { channel: Number(textOf(own["CHANNEL_INDEX"])) || place, name: textOf(own["NAME"]) }];
    }),
  );
  return Array.from({ length: channels }, (_, at) => byPlace.get(at + 1) ?? { channel: at + 1, name: "" });
}

/** iXML with these facts over what was there; elements of others stay. */
export function ixmlWith(
  before: Fields | null,
  facts: IxmlFacts,
  sound: { sampleRateHz: number; bitsPerSample: number; timeReference: number | null },
): string {
  const { timeReference } = sound;
  const time = timeReference ?? 0;
  const fields: Fields = {
    IXML_VERSION: "1.61",
    ...before,
    PROJECT: facts.project,
    SCENE: facts.scene,
    TAKE: facts.take,
    TAPE: facts.tape,
    CIRCLED: flag(facts.isCircled),
    NO_GOOD: flag(facts.isNoGood),
    FALSE_START: flag(facts.isFalseStart),
    WILD_TRACK: flag(facts.isWild),
    NOTE: facts.note,
    SPEED: {
      ...fieldsOf(before?.["SPEED"]),
      ...(facts.frameRate !== "" && {
        MASTER_SPEED: facts.frameRate,
        CURRENT_SPEED: facts.frameRate,
        TIMECODE_RATE: facts.frameRate,
        TIMECODE_FLAG: facts.isDrop ? "DF" : "NDF",
      }),
      FILE_SAMPLE_RATE: String(sound.sampleRateHz),
      AUDIO_BIT_DEPTH: String(sound.bitsPerSample),
      DIGITIZER_SAMPLE_RATE: String(sound.sampleRateHz),
      ...(timeReference !== null && {
        TIMESTAMP_SAMPLES_SINCE_MIDNIGHT_HI: String(Math.floor(time / 2 ** 32)),
        TIMESTAMP_SAMPLES_SINCE_MIDNIGHT_LO: String(time % 2 ** 32),
        TIMESTAMP_SAMPLE_RATE: String(sound.sampleRateHz),
      }),
    },
    TRACK_LIST: {
      TRACK_COUNT: String(facts.tracks.length),
      TRACK: facts.tracks.map(({ channel, name }, at) => ({
        CHANNEL_INDEX: String(channel),
        INTERLEAVE_INDEX: String(at + 1),
        NAME: name,
      })),
    },
  };
  const cleaned = JSON.parse(
    JSON.stringify(fields, (_, value: unknown) => (typeof value === "string" ? cleanText(value) : value)),
  ) as Fields;
  return `<?xml version="1.0" encoding="UTF-8"?>\n${builder.build({ BWFXML: cleaned })}`;
}

/** UTF-8 of a text, and the text of UTF-8; bytes that are none are taken as Latin-1. */
export const toUtf8 = (text: string): Uint8Array => {
  const encoded = encodeURIComponent(cleanText(text)).replace(/%([0-9A-F]{2})/g, (_, hex: string) =>
    String.fromCharCode(parseInt(hex, 16)),
  );
  return Uint8Array.from(encoded, (letter) => letter.charCodeAt(0));
};
export function fromUtf8(bytes: Uint8Array): string {
  const letters = Array.from(bytes, (byte) => String.fromCharCode(byte))
    .join("")
    .replace(/\0+$/, "");
  try {
    return decodeURIComponent(
      letters.replace(/[%\x80-\xff]/g, (letter) => `%${letter.charCodeAt(0).toString(16).padStart(2, "0")}`),
    );
  } catch {
    return letters;
  }
}
