/** What a stage's level is counted in. */
export type LevelUnit = "dB SPL" | "dB of full" | "dBu" | "dBFS";

/** What can be turned or switched on a way, by the field's names. */
export const KNOB_IDS = ["sensitivity", "output", "send", "mode", "gain", "boost", "system", "trim"] as const;
export type KnobId = (typeof KNOB_IDS)[number];

/** One real step of a knob, or the only state of a stage that has none. */
export interface Position {
  /** What it adds to the level, dB. */
  addsDb: number;
  /** Where it clips, in the stage's unit, after what it adds; null: nowhere here. */
  clip: number | null;
  /** Noise that comes in before what it adds, and after, A-weighted, in the stage's unit; null: none. */
  noiseBefore: number | null;
  noiseAfter: number | null;
  /** Of positions that serve alike the one with the least is taken; 0 is best. */
  preference: number;
  /** What is read at the device. */
  says: string;
}

/** One stage on the way from the voice to the file. Levels add up: what arrives, into its unit, and what its position adds. */
export interface ChainStage {
  id: string;
  name: string;
  /** The device that it is a part of: what is set on one device is set together. */
  device: string;
  /** Tells the device from the others of its way. */
  deviceId: string;
  unit: LevelUnit;
  /** From the unit before into this one, dB. */
  entersDb: number;
  knob: { id: KnobId; name: string } | null;
  positions: readonly [Position, ...Position[]];
  /** What should be kept in hand under its clip, dB. */
  reserveDb: number;
  /** Its figures are typical of its kind, not of the owner's device. */
  isTypical: boolean;
  /** How far off it may be where a figure is missing, dB either way; 0: known. */
  spreadDb: number;
  /** Where its noise is from: a `NoiseOrigin`, or the device. */
  noiseFrom: string;
  /** Pads that go before it, dB, least first. */
  padsDb: readonly number[];
}

/** Stages from the capsule, or a desk's outlet, to the file. The last one is the file: dBFS, full scale at 0. */
export type Chain = readonly [ChainStage, ...ChainStage[]];

/** A stage that only passes on. */
export function plainStage(
  own: Pick<ChainStage, "id" | "name" | "device" | "deviceId" | "unit"> & Partial<Omit<ChainStage, "positions">>,
  at: Partial<Position> = {},
): ChainStage {
  return {
    entersDb: 0,
    knob: null,
    reserveDb: 0,
    isTypical: true,
    spreadDb: 0,
    noiseFrom: own.device,
    padsDb: [],
    ...own,
    positions: [{ addsDb: 0, clip: null, noiseBefore: null, noiseAfter: null, preference: 0, says: "", ...at }],
  };
}

/** The same stage with a knob of so many steps, dB. */
export function withKnob(
  stage: ChainStage,
  knob: NonNullable<ChainStage["knob"]>,
  stepsDb: readonly number[],
  own: (addsDb: number) => Partial<Position> = () => ({}),
): ChainStage {
  const [plain] = stage.positions;
  const positions = stepsDb.map((addsDb) => ({ ...plain, addsDb, says: saysDb(addsDb), ...own(addsDb) }));
  const [first, ...rest] = positions;
  if (!first) throw new RangeError(`No steps: ${knob.id}`);
  return { ...stage, knob, positions: [first, ...rest] };
}

/** A setting as it is read at a knob. */
export const saysDb = (valueDb: number): string => {
  const rounded = Math.round(valueDb * 10) / 10;
  return `${rounded > 0 ? "+" : rounded < 0 ? "−" : ""}${Math.abs(rounded)} dB`;
};

/** Steps from the least to the most, dB; step above 0. */
export function stepsBetween(leastDb: number, mostDb: number, stepDb: number): number[] {
  const count = Math.floor((mostDb - leastDb) / stepDb + 1e-9) + 1;
  return Array.from({ length: Math.max(1, count) }, (_, index) => leastDb + index * stepDb);
}
