import { bestSettings, type Chain, type ChainStage, plainStage, stepsBetween, withKnob } from "../chain";
import { begun, type Carried, carriedOn } from "../connect";
import { type Input, mate, type Part, type PlacedSetting, type Source } from "../devices";
import type { RadioSystem } from "../wireless";
import type { GainMessage } from "./deviceMessages";
import { GAIN_DB, inputNoiseDbu, LINK_NOISE_DB, OUTPUT_DB, SENSITIVITY_DB } from "./knobRanges";

/** What stands on every knob when it is right. */
export interface RightSettings {
  sensitivityDb: number;
  outputDb: number;
  gainDb: number;
  /** Of that, a computer's boost; and the gain of an interface on the way, which comes before. */
  boostDb?: number;
  converterDb?: number;
}

/** One link as it is meant to be: from the capsule to the file. */
export interface SignalPath {
  name: string;
  source: Source;
  input: Input;
  /** Leads and adapters between them, and what else could be taken by mistake. */
  way: readonly Part[];
  shelf: readonly Part[];
  /** What the way needs to be set. */
  settings: readonly PlacedSetting[];
  /** Null: no radio on the way. */
  system: RadioSystem | null;
  frequencyMHz: number | null;
  /** Peaks of the loudest line over the pack's full modulation at 0 dB sensitivity, dB. */
  modulationDb: number;
  /** The input stands at line. */
  isLine: boolean;
  /** What the input's full scale is at its lowest gain, dBu. */
  fullScaleDbu: number;
  right: RightSettings;
  sampleRateHz: number;
  bits: number;
}

/** Where the loudest line's peaks should read, and never above. Common practice. */
export const TARGET_DBFS = -12;
const CEILING_DBFS = -6;
/** The pack should keep this in hand. Common practice. */
const RESERVE_DB = 3;
/** A generic capsule, 6 mV/Pa, at peaks of 105 dB SPL into a generic pack. */
export const USUAL_MODULATION_DB = 6;

/** A signal on its way: how it lies on the contacts, how loud it is, whether a box on the way clipped it. */
export interface Arrived {
  carried: Carried;
  /** dBu; dBFS once it is digital. */
  level: number;
  isClipped: boolean;
}

/** Through leads and boxes; null where an end does not go into the next, or a lead does not pass it. */
export function throughParts(
  source: Source,
  level: number,
  parts: readonly Part[],
  input: Input,
  converterDb = 0,
): Arrived | null {
  let [end, carried]: [Source["end"], Carried] = [source.end, begun(source)];
  let at = level;
  let isClipped = false;
  for (const part of parts) {
    const next = mate(end, part.from) ? carriedOn(carried, part) : null;
    if (!next) return null;
    if (part.clipsDbu !== null && carried.carriage !== "digital") {
      const gainDb = next.carriage === "digital" ? converterDb : 0;
      isClipped ||= at + gainDb > part.clipsDbu;
      at = next.carriage === "digital" ? Math.min(0, at + gainDb - part.clipsDbu) : at;
    }
    at -= part.lossDb;
    [end, carried] = [part.to, next];
  }
  return mate(end, input.end) ? { carried, level: at, isClipped } : null;
}

/** What a source runs on at the end of its way: an adapter may make plug-in power out of phantom power. */
export const powerOf = ({ source, way }: Pick<SignalPath, "source" | "way">): Source["needs"] =>
  source.needs === "plugIn" && way.some(({ makesPlugIn }) => makesPlugIn) ? "phantom" : source.needs;

/** Whether an input has a gain of its own. */
export const hasGain = ({ kind }: Input): boolean => kind !== "phone";

/** A computer's gain on its three stages: the system at full, a small trim; the system only for what a trim has not got. */
export function computerGain({
  gainDb,
  boostDb = 0,
}: RightSettings): Record<"boostDb" | "systemDb" | "trimDb", number> {
  const rest = gainDb - boostDb;
  const trimDb = Math.min(20, Math.max(-20, rest));
  return { boostDb, systemDb: Math.min(0, Math.max(-30, rest - trimDb)), trimDb };
}

/** Gains to be set on the input's device, and on an interface before it. */
export function gainMessages({ input, right }: Pick<SignalPath, "input" | "right">): GainMessage[] {
  const interfaceGain: GainMessage[] = right.converterDb ? [{ code: "gain.interface", gainDb: right.converterDb }] : [];
  if (!hasGain(input)) return interfaceGain;
  return [
    ...interfaceGain,
    input.kind === "computer"
      ? { code: "gain.computer", ...computerGain(right) }
      : { code: "gain.device", gainDb: right.gainDb },
  ];
}

/** Gains that an input's device can stand at, dB: a computer's system level and trim take away as well. */
function gainsOf({ kind }: Input): readonly [number, number] {
  if (kind === "computer") return [-30, 20];
  return hasGain({ kind } as Input) ? [GAIN_DB[0], GAIN_DB[1]] : [0, 0];
}

/** Above this the socket clips whatever the gain, dBu. */
export const clipsOf = ({ input, isLine }: Pick<SignalPath, "input" | "isLine">): number =>
  isLine ? input.lineClipsDbu! : input.clipsDbu;

/** The link's stages as Level's search reads them: the radio's two knobs, what is on the way, the input and its gain. */
function chainOf(setup: Omit<SignalPath, "right">): Chain {
  const { source, input, way, fullScaleDbu, system } = setup;
  const of = (id: string, unit: ChainStage["unit"]) => ({ id, name: id, device: id, deviceId: id, unit });
  const stages: ChainStage[] = system
    ? [
        withKnob(
          plainStage({ ...of("pack", "dB of full"), reserveDb: RESERVE_DB }, { clip: 0 }),
          { id: "sensitivity", name: "Sensitivity" },
          stepsBetween(...SENSITIVITY_DB),
        ),
        withKnob(
          plainStage(
            { ...of("receiver", "dBu"), entersDb: source.loudestDbu },
            { noiseBefore: source.loudestDbu + LINK_NOISE_DB },
          ),
          { id: "output", name: "Output" },
          stepsBetween(...OUTPUT_DB),
        ),
      ]
    : [plainStage({ ...of("outlet", "dBu"), entersDb: source.loudestDbu })];
  let carried = begun(source);
  for (const { id, clipsDbu, lossDb, ...part } of way) {
    const next = carriedOn(carried, { id, clipsDbu, lossDb, ...part }) ?? carried;
    const isConverting = next.carriage === "digital" && carried.carriage !== "digital";
    const clip = carried.carriage === "digital" ? null : clipsDbu;
    stages.push(
      isConverting
        ? plainStage({ ...of(id, "dBFS"), entersDb: -(clipsDbu ?? 0) }, { clip: 0 })
        : plainStage(of(id, "dBu"), { addsDb: -lossDb, clip: clip === null ? null : clip - lossDb }),
    );
    carried = next;
  }
  const isDigital = carried.carriage === "digital";
  if (!isDigital) stages.push(plainStage(of("socket", "dBu"), { clip: clipsOf(setup) }));
  const [leastDb, mostDb] = gainsOf(input);
  const file = plainStage(
    { ...of("file", "dBFS"), entersDb: isDigital ? 0 : -fullScaleDbu },
    { noiseBefore: inputNoiseDbu(setup.isLine, clipsOf(setup)) - fullScaleDbu },
  );
  stages.push(withKnob(file, { id: "gain", name: "Gain" }, stepsBetween(leastDb, mostDb, 1)));
  return stages as [ChainStage, ...ChainStage[]];
}

/** What serves best, by the same search as Level's. */
function rightFor(setup: Omit<SignalPath, "right">): RightSettings {
  const chain = chainOf(setup);
  const peakDb = setup.system ? setup.modulationDb : 0;
  const settings = bestSettings(chain, peakDb, { targetDbfs: TARGET_DBFS, ceilingDbfs: CEILING_DBFS });
  const at = (id: string) => {
    const stage = chain.findIndex((each) => each.knob?.id === id);
    return stage < 0 ? 0 : chain[stage]!.positions[settings[stage]!]!.addsDb;
  };
  return { sensitivityDb: at("sensitivity"), outputDb: at("output"), gainDb: at("gain") };
}

/** What goes into {@link setupOf}: what Level knows may be given, the rest is worked out. */
export type Meant = Omit<SignalPath, "right" | "fullScaleDbu" | "isLine"> &
  Partial<Pick<SignalPath, "right" | "fullScaleDbu" | "isLine">>;

/** A link as it is meant to be; settings are worked out where Level has none. */
export function setupOf(meant: Meant): SignalPath {
  const { source, input, way } = meant;
  const arrives = throughParts(source, source.loudestDbu, way, input)?.level ?? -Infinity;
  const isLine = meant.isLine ?? (input.lineClipsDbu !== null && arrives - source.turnsDownDb > input.clipsDbu);
  const fullScaleDbu = isLine ? input.lineClipsDbu! : (meant.fullScaleDbu ?? input.clipsDbu);
  const setup = { ...meant, isLine, fullScaleDbu };
  return { ...setup, right: meant.right ?? rightFor(setup) };
}
