import { InvalidArgumentError, Option } from "commander";
import { readWavHeader } from "../core/audio";
import { measureWav, type RecordingMeasurement } from "../core/check";
import {
  CleaningPlan,
  cleanWav,
  guessesFor,
  planCleaning,
  type Treatment,
  TREATMENT_ORDER,
  treatmentMessage,
  type TreatmentKind,
} from "../core/clean";
import { renderedHead } from "../core/tags";
import { say } from "../messages";
import { openFileSource } from "./fileSource";
import { refuser } from "./output";
import { pieceWorkers, type PieceWorkers } from "./pieceWorkers";
import { type SoundForm, writeSound } from "./rendering";
import { amount, readJson, runSound, soundCommand } from "./soundTool";

const PROGRAM = "hypophon clean";
const refuse = refuser(PROGRAM);

interface Wishes {
  to: string;
  json?: boolean;
  only?: readonly TreatmentKind[];
  noise?: number;
  lowCut?: number;
  guessPeaks?: boolean;
  plan?: string;
  bits: "16" | "24" | "32";
}

type Source = Awaited<ReturnType<typeof openFileSource>>;

async function measured(path: string, source: Source, workers: PieceWorkers): Promise<RecordingMeasurement> {
  return (await measureWav(source, path, {}, workers.measurePieces(path, source.sizeBytes))).measurement;
}

/** The plan as it was asked for: fewer kinds, other amounts, guesses too. */
function wishedFor(plan: CleaningPlan, measurement: RecordingMeasurement, wishes: Wishes): CleaningPlan {
  const { only, noise, lowCut, guessPeaks } = wishes;
  const channels = measurement.channels.flatMap(({ index }) => {
    const own = plan.channels.find(({ channel }) => channel === index)?.treatments ?? [];
    const guesses = guessPeaks ? guessesFor(measurement, index) : null;
    const asked: readonly Treatment[] = guesses ? [...own, guesses] : own;
    const kept = asked.filter(({ kind }) => !only || only.includes(kind));
    const others = kept.filter(
      ({ kind }) => !(kind === "noise" && noise !== undefined) && !(kind === "lowCut" && lowCut !== undefined),
    );
    const treatments: Treatment[] = [
      ...others,
      ...(noise === undefined ? [] : [{ kind: "noise", byDb: noise } as const]),
      ...(lowCut === undefined ? [] : [{ kind: "lowCut", cornerHz: lowCut } as const]),
    ];
    const order = ({ kind }: Treatment) => TREATMENT_ORDER.indexOf(kind);
    return treatments.length > 0
      ? [{ channel: index, treatments: treatments.toSorted((a, b) => order(a) - order(b)) }]
      : [];
  });
  return { channels };
}

interface Figures {
  channel: number;
  speechDbfs: number | null;
  noiseDbfs: number | null;
  snrDb: number | null;
}

const figuresOf = ({ channels }: RecordingMeasurement, treated: readonly number[]): Figures[] =>
  treated.map((channel) => {
    const { speechLevelDbfs, noiseFloorDbfs, snrDb } = channels[channel]!;
    return { channel: channel + 1, speechDbfs: speechLevelDbfs, noiseDbfs: noiseFloorDbfs, snrDb };
  });

const figure = (value: number | null): string => (value === null ? "−∞" : value.toFixed(1).replace("-", "−"));

function tell(plan: CleaningPlan, before: readonly Figures[], after: readonly Figures[], to: string): string {
  const lines = plan.channels.map(({ channel, treatments }, at) => {
    const [was, is] = [before[at]!, after[at]!];
    return [
      `Track ${channel + 1}: ${treatments.map((each) => say(treatmentMessage(each))).join("; ")}.`,
      `  speech ${figure(was.speechDbfs)} → ${figure(is.speechDbfs)} dBFS, noise ${figure(was.noiseDbfs)} → ${figure(is.noiseDbfs)} dBFS`,
    ].join("\n");
  });
  return `${lines.join("\n")}\n${to}\n`;
}

async function clean(path: string, wishes: Wishes): Promise<number> {
  const source = await openFileSource(path);
  const workers = pieceWorkers();
  try {
    const header = await readWavHeader(source);
    const before = await measured(path, source, workers);
    const given = wishes.plan === undefined ? null : await readJson(CleaningPlan, wishes.plan);
    if (typeof given === "string") return refuse(given);
    const plan = given ?? wishedFor(await planCleaning(source, header, before), before, wishes);
    if (plan.channels.some(({ channel }) => channel >= header.channels))
      return refuse(`the plan has a track that ${path} has not`);
    if (plan.channels.length === 0) {
      process.stdout.write(
        wishes.json ? `${JSON.stringify({ file: path, to: null, ...plan })}\n` : `${say({ code: "clean.nothing" })}\n`,
      );
      return 1;
    }
    if (
      wishes.bits !== "32" &&
      plan.channels.some(({ treatments }) => treatments.some(({ kind }) => kind === "clipping"))
    )
      return refuse("peaks that are redrawn go beyond full scale: --bits 32 keeps them");
    const form: SoundForm = { bits: Number(wishes.bits) as SoundForm["bits"], isFloat: wishes.bits === "32" };
    const done = plan.channels.map(
      ({ channel, treatments }) =>
        `${channel + 1}: ${treatments.map((each) => say(treatmentMessage(each))).join(", ")}`,
    );
    const head = await renderedHead(source, {
      ...{ sampleRateHz: header.sampleRateHz, channels: header.channels, ...form, frames: header.frames },
      ...{ from: before.channels.map(({ index }) => index), isAligned: true },
      history: `A=PCM,F=${header.sampleRateHz},W=${form.bits},T=Hypophon; ${done.join("; ")}`,
    });
    await writeSound(wishes.to, head, form, (take) => cleanWav(source, plan, take));
    const result = await openFileSource(wishes.to);
    const after = await measured(wishes.to, result, workers);
    await result.close();
    const treated = plan.channels.map(({ channel }) => channel);
    const [was, is] = [figuresOf(before, treated), figuresOf(after, treated)];
    process.stdout.write(
      wishes.json
        ? `${JSON.stringify({ file: path, to: wishes.to, ...plan, before: was, after: is }, null, 1)}\n`
        : tell(plan, was, is, wishes.to),
    );
    return 0;
  } finally {
    await workers.close();
    await source.close();
  }
}

function kinds(text: string): TreatmentKind[] {
  const names = text.split(",").map((name) => name.trim());
  const isKind = (name: string): name is TreatmentKind => TREATMENT_ORDER.some((kind) => kind === name);
  const wrong = names.find((name) => !isKind(name));
  if (wrong !== undefined) throw new InvalidArgumentError(`${wrong} is none of ${TREATMENT_ORDER.join(", ")}.`);
  return names.filter(isKind);
}

/** Cleans a recording into a new file, as its findings ask for: 0 done, 1 nothing to do or no readable recording, 2 a bad call. */
export async function runClean(args: readonly string[]): Promise<number> {
  let code = 0;
  const program = soundCommand(PROGRAM)
    .requiredOption("--to <file>", "the new file")
    .option("--only <kinds>", `of what it asks for: ${TREATMENT_ORDER.join(",")}`, kinds)
    .option("--noise <dB>", "how far steady noise goes down", amount(1, 24, "dB"))
    .option("--low-cut <Hz>", "the corner of the low cut", amount(20, 200, "Hz"))
    .option("--guess-peaks", "redraw clipped peaks, which is a guess")
    .option("--plan <json>", "a plan of your own: what --json tells under channels")
    .addOption(
      new Option("--bits <bits>", "16 or 24 with dither, 32 is float").choices(["16", "24", "32"]).default("24"),
    )
    .option("--json", "tell it as JSON")
    .action(async (file: string, wishes: Wishes) => {
      code = await clean(file, wishes);
    });
  return runSound(program, args, () => code);
}
