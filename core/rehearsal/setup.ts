import { begun, type Carried, carriedOn } from "../connect";
import { type Input, mate, type Part, type PlacedSetting, type Source } from "../devices";
import type { RadioSystem } from "../wireless";
import type { GainMessage } from "./deviceMessages";
import { GAIN_DB, OUTPUT_DB, SENSITIVITY_DB } from "./knobRanges";

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
export interface Setup {
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
export function gainMessages({ input, right }: Pick<Setup, "input" | "right">): GainMessage[] {
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
export const clipsOf = ({ input, isLine }: Pick<Setup, "input" | "isLine">): number =>
  isLine ? input.lineClipsDbu! : input.clipsDbu;

/** Every step of the radio's knobs, tried with the gain that suits: target, no stage over, least noise. */
function rightFor(setup: Omit<Setup, "right">): RightSettings {
  const { source, input, way, modulationDb, fullScaleDbu } = setup;
  const isRadio = setup.system !== null;
  const steps = ([from, to, step]: readonly [number, number, number]) =>
    isRadio ? Array.from({ length: (to - from) / step + 1 }, (_, index) => to - index * step) : [0];
  const [leastDb, mostDb] = gainsOf(input);
  let best: RightSettings = { sensitivityDb: 0, outputDb: 0, gainDb: leastDb };
  let bestCost = Infinity;
  for (const sensitivityDb of steps(SENSITIVITY_DB))
    for (const outputDb of steps(OUTPUT_DB)) {
      const modulation = isRadio ? modulationDb + sensitivityDb : 0;
      const arrived = throughParts(source, source.loudestDbu + Math.min(0, modulation) + outputDb, way, input);
      if (!arrived) continue;
      const isDigital = arrived.carried.carriage === "digital";
      const before = arrived.level - (isDigital ? 0 : fullScaleDbu);
      const gainDb = Math.min(mostDb, Math.max(leastDb, Math.floor(TARGET_DBFS - before + 1e-9)));
      const overDb =
        (isRadio ? Math.max(0, modulation + RESERVE_DB) : 0) +
        (isDigital ? 0 : Math.max(0, arrived.level - clipsOf(setup))) +
        (arrived.isClipped ? 40 : 0) +
        Math.max(0, before + gainDb - CEILING_DBFS);
      const missDb = Math.abs(before + gainDb - TARGET_DBFS);
      // Early gain costs least noise: of what serves alike, the pack as sensitive and the output as loud as may be.
      const cost = 1000 * overDb + 10 * missDb - 0.1 * sensitivityDb - 0.05 * outputDb;
      if (cost < bestCost) [best, bestCost] = [{ sensitivityDb, outputDb, gainDb }, cost];
    }
  return best;
}

/** What goes into {@link setupOf}: what Level knows may be given, the rest is worked out. */
export type Meant = Omit<Setup, "right" | "fullScaleDbu" | "isLine"> &
  Partial<Pick<Setup, "right" | "fullScaleDbu" | "isLine">>;

/** A link as it is meant to be; settings are worked out where Level has none. */
export function setupOf(meant: Meant): Setup {
  const { source, input, way } = meant;
  const arrives = throughParts(source, source.loudestDbu, way, input)?.level ?? -Infinity;
  const isLine = meant.isLine ?? (input.lineClipsDbu !== null && arrives - source.turnsDownDb > input.clipsDbu);
  const fullScaleDbu = isLine ? input.lineClipsDbu! : (meant.fullScaleDbu ?? input.clipsDbu);
  const setup = { ...meant, isLine, fullScaleDbu };
  return { ...setup, right: meant.right ?? rightFor(setup) };
}
