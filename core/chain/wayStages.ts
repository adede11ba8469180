import {
  type Carriage,
  type Input,
  type InputLevels,
  INTERFACE,
  type KnownLevels,
  type Pack,
  type Part,
  type Receiver,
  type Source,
  type Steps,
} from "../devices";
import { dbvToDbu, PASCAL_SPL_DB } from "../sound";
import { plainStage, stepsBetween, withKnob, type Chain, type ChainStage } from "./stage";

/** What a microphone gives and bears. */
export interface MicLevels {
  name: string;
  sensitivityMvPerPa: number;
  selfNoiseDba: number;
  maxSplDb: number;
  isTypical: boolean;
}

/** A pack and its receiver. */
export interface RadioLevels {
  pack: Pack;
  receiver: Receiver;
  isTypical: boolean;
}

/** Everything that the levels of one way depend on. */
export interface Way {
  /** Null: what comes is electrical, from a desk. */
  mic: MicLevels | null;
  /** Null: no radio on the way. */
  radio: RadioLevels | null;
  /** Null: a microphone inside the device that records, no socket and no lead. */
  source: Source | null;
  parts: readonly Part[];
  input: Input;
  levels: KnownLevels;
}

/** Stages should keep this in hand for a voice louder than planned, dB. Common practice. */
const RESERVE_DB = 3;
/** Pads that are sold for a socket, dB. Common practice. */
const PADS_DB: Partial<Record<Input["end"]["connector"], readonly number[]>> = { xlr3: [10, 20, 40], jack35: [25] };
/** Steps of a desk's send, dB. */
const SEND_STEP_DB = 3;
/** How much worse it is by habit to take the system's level down than the program's trim up or down. */
const SYSTEM_WEIGHT = 3;

const steps = ({ leastDb, mostDb, stepDb }: Steps): number[] => stepsBetween(leastDb, mostDb, stepDb);

/** A microphone's level at 0 dB SPL, dBV. */
const micDbv = ({ sensitivityMvPerPa }: MicLevels): number =>
  20 * Math.log10(sensitivityMvPerPa / 1000) - PASCAL_SPL_DB;

const capsuleStage = ({ name, maxSplDb, selfNoiseDba, isTypical }: MicLevels): ChainStage =>
  plainStage(
    {
      id: "capsule",
      name: "Capsule",
      device: name,
      deviceId: "capsule",
      unit: "dB SPL",
      isTypical,
      noiseFrom: "capsule",
    },
    { clip: maxSplDb, noiseBefore: selfNoiseDba },
  );

function radioStages(mic: MicLevels, { pack, receiver, isTypical }: RadioLevels, source: Source): ChainStage[] {
  const packStage = withKnob(
    plainStage(
      {
        id: "pack",
        name: "Pack",
        device: "pack",
        deviceId: "pack",
        unit: "dB of full",
        entersDb: micDbv(mic) - pack.fullInputDbv,
        reserveDb: RESERVE_DB,
        isTypical,
        noiseFrom: "packInput",
      },
      { clip: 0, noiseBefore: pack.inputNoiseDbv - pack.fullInputDbv },
    ),
    { id: "sensitivity", name: "Sensitivity" },
    stepsBetween(pack.sensitivityMinDb, pack.sensitivityMaxDb, pack.sensitivityStepDb),
  );
  const common = {
    id: "receiver",
    name: "Receiver output",
    device: "receiver",
    deviceId: "receiver",
    isTypical,
    noiseFrom: "radioLink",
  };
  if (source.carriage === "digital")
    return [packStage, plainStage({ ...common, unit: "dBFS" }, { noiseBefore: -receiver.linkSnrDb })];
  const full = receiver.fullOutputDbu;
  const output = plainStage({ ...common, unit: "dBu", entersDb: full }, { noiseBefore: full - receiver.linkSnrDb });
  const volumes = stepsBetween(receiver.outputMinDb, 0, receiver.outputStepDb);
  return [packStage, withKnob(output, { id: "output", name: "Volume" }, volumes)];
}

/** What a desk, a speaker's through or a wired microphone sends. */
function outletStage({ mic, source, input }: Way): ChainStage {
  const stage = plainStage({
    id: "outlet",
    name: mic ? "Microphone's output" : "Outlet",
    device: source?.name ?? input.name,
    deviceId: source?.id ?? input.id,
    unit: "dBu",
    entersDb: mic ? dbvToDbu(micDbv(mic)) : 0,
  });
  if (mic || !source || source.turnsDownDb <= 0) return stage;
  return withKnob(stage, { id: "send", name: "Send" }, stepsBetween(-source.turnsDownDb, 0, SEND_STEP_DB));
}

/** Clips and noise of a converter with a gain before it. */
function convertingStage(
  own: Pick<ChainStage, "id" | "name" | "device" | "deviceId" | "isTypical"> & { spreadDb: number },
  levels: InputLevels,
  reserveDb: number,
): ChainStage {
  const stage = plainStage(
    { ...own, unit: "dBFS", entersDb: -levels.fullScaleDbu, reserveDb, noiseFrom: "converter" },
    { clip: 0, noiseAfter: -levels.converterRangeDb },
  );
  return levels.gain ? withKnob(stage, { id: "gain", name: "Gain" }, steps(levels.gain)) : stage;
}

/** The socket: where it overloads whatever the gain, its noise, and whether it stands at mic or line. */
function socketStage(input: Input, { levels, isTypical }: KnownLevels): ChainStage {
  const { line, maxInputDbu, fullScaleDbu, einDbu } = levels;
  const stage = plainStage(
    {
      id: "socket",
      name: "Socket",
      device: input.name,
      deviceId: input.id,
      unit: "dBu",
      reserveDb: RESERVE_DB,
      isTypical,
      noiseFrom: "recorderInput",
      padsDb: PADS_DB[input.end.connector] ?? [],
    },
    { clip: maxInputDbu, noiseAfter: einDbu },
  );
  if (!line) return stage;
  const dropDb = line.fullScaleDbu - fullScaleDbu;
  return withKnob(stage, { id: "mode", name: "Input" }, [0, -dropDb], (addsDb) =>
    addsDb === 0
      ? { says: "mic" }
      : { says: "line", clip: line.maxInputDbu - dropDb, noiseAfter: line.einDbu - dropDb, preference: 1 },
  );
}

/** A computer's last two stages, both behind its converter. */
function computerStages(
  { name: device, id: deviceId }: Input,
  system: Steps,
  trim: Steps,
  isTypical: boolean,
): ChainStage[] {
  const plain = (id: string, name: string) =>
    plainStage({ id, name, device, deviceId, unit: "dBFS", isTypical, reserveDb: RESERVE_DB }, { clip: 0 });
  return [
    withKnob(plain("system", "System"), { id: "system", name: "System's level" }, steps(system), (addsDb) => ({
      preference: SYSTEM_WEIGHT * Math.abs(addsDb),
    })),
    withKnob(plain("file", "File"), { id: "trim", name: "Program's trim" }, steps(trim), (addsDb) => ({
      preference: Math.abs(addsDb),
    })),
  ];
}

function inputStages({ input, levels: known }: Way, isDigital: boolean): ChainStage[] {
  const { levels, isTypical, spreadDb } = known;
  const { system, trim, boostsDb } = levels;
  const { name: device, id: deviceId } = input;
  if (isDigital)
    return system && trim
      ? computerStages(input, system, trim, isTypical)
      : [plainStage({ id: "file", name: "File", device, deviceId, unit: "dBFS", isTypical }, { clip: 0 })];
  if (!system || !trim)
    return [
      socketStage(input, known),
      convertingStage({ id: "file", name: "File", device, deviceId, isTypical, spreadDb }, levels, 0),
    ];
  const converter = convertingStage(
    { id: "converter", name: "Converter", device, deviceId, isTypical, spreadDb },
    levels,
    RESERVE_DB,
  );
  return [
    socketStage(input, known),
    boostsDb ? withKnob(converter, { id: "boost", name: "Boost" }, boostsDb) : converter,
    ...computerStages(input, system, trim, isTypical),
  ];
}

/** Behind a microphone of its own there is a gain and a converter. */
const insideStage = ({ input, levels: { levels, isTypical } }: Way): ChainStage =>
  convertingStage(
    { id: "file", name: "File", device: input.name, deviceId: input.id, isTypical, spreadDb: 0 },
    levels,
    0,
  );

/** Leads, pads and boxes: what they lose, where they clip, where they make it digital. */
function partStages(source: Source, parts: readonly Part[]): { stages: ChainStage[]; isDigital: boolean } {
  const stages: ChainStage[] = [];
  let carriage: Carriage = source.carriage;
  parts.forEach((part, number) => {
    const next = part.turns[carriage] ?? carriage;
    const id = `part-${number}`;
    const levels = part.converter;
    if (next === "digital" && carriage !== "digital") {
      const own = {
        id,
        name: "Interface",
        device: part.name,
        deviceId: part.id,
        isTypical: true,
        spreadDb: levels ? 0 : RESERVE_DB,
      };
      const full = part.clipsDbu ?? 0;
      const at: InputLevels = { ...(levels ?? INTERFACE), fullScaleDbu: full, maxInputDbu: full };
      stages.push(
        plainStage(
          {
            id: `${id}-socket`,
            name: "Interface's socket",
            device: part.name,
            deviceId: part.id,
            unit: "dBu",
            reserveDb: RESERVE_DB,
            noiseFrom: "interfaceInput",
            padsDb: PADS_DB[part.from.connector] ?? [],
          },
          { clip: full, noiseAfter: at.einDbu },
        ),
        convertingStage(own, at, RESERVE_DB),
      );
    } else if (part.lossDb > 0 || part.clipsDbu !== null)
      stages.push(
        plainStage(
          {
            id,
            name: "Lead",
            device: part.name,
            deviceId: part.id,
            unit: carriage === "digital" ? "dBFS" : "dBu",
            entersDb: -part.lossDb,
          },
          { clip: part.clipsDbu === null ? null : part.clipsDbu - part.lossDb },
        ),
      );
    carriage = next;
  });
  return { stages, isDigital: carriage === "digital" };
}

/**
 * Stages of one way, from the capsule or a desk's outlet to the file.
 *
 * Sensitivities in mV/Pa, levels dBu and dBV re 0.7746 and 1 V, noise A-weighted. A computer's system level and trim lie
 * behind its converter: what clips there is not cured by them. Common practice; figures from the devices.
 */
export function stagesOfWay(way: Way): Chain {
  const { mic, radio, source, parts } = way;
  const begin = mic ? [capsuleStage(mic)] : [];
  if (!source) return [...begin, outletStage(way), insideStage(way)] as unknown as Chain;
  const { stages, isDigital } = partStages(source, parts);
  const carry = mic && radio ? radioStages(mic, radio, source) : [outletStage(way)];
  return [...begin, ...carry, ...stages, ...inputStages(way, isDigital)] as unknown as Chain;
}
